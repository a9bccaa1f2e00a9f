import { Barlines, BeatChoice } from './Beats'
import { BowIt } from './BowIt'
import { CountIt } from './CountIt'
import { Difference } from './Difference'
import { FindIt } from './FindIt'
import { FingerIt } from './FingerIt'
import { LineOrSpace } from './LineOrSpace'
import { NameIt } from './NameIt'
import { PenWork } from './PenWork'
import { Scale } from './Scale'
import { ShapeDraw, ShapeName } from './Shape'
import { SignatureName } from './SignatureName'
import { SignatureWrite } from './SignatureWrite'
import { Stem } from './Stem'
import type { SurfaceProps } from './answering'
import { WriteIt } from './WriteIt'

type Fields = { write?: boolean; draw?: boolean; task?: string }

/** The way in which a question is answered. */
export function Surface(props: SurfaceProps) {
  const { kind, sheet } = props.question
  const asked = sheet.question as Fields
  switch (kind) {
    case 'name-it':
      return <NameIt {...props} />
    case 'finger-it':
      return <FingerIt {...props} />
    case 'write-it':
      return <WriteIt {...props} />
    case 'find-it':
      return <FindIt {...props} />
    case 'line-or-space':
      return <LineOrSpace {...props} />
    case 'stems':
      return <Stem {...props} />
    case 'signature':
      return asked.write ? <SignatureWrite {...props} /> : <SignatureName {...props} />
    case 'hand-shape':
      return asked.draw ? <ShapeDraw {...props} /> : <ShapeName {...props} />
    case 'pen-work':
      return <PenWork {...props} />
    case 'beat-sums':
      return asked.task === 'barlines' ? <Barlines {...props} /> : <BeatChoice {...props} gap={asked.task === 'gap'} />
    case 'count-it':
      return <CountIt {...props} />
    case 'bow-it':
      return <BowIt {...props} />
    case 'spot-difference':
      return <Difference {...props} />
    default:
      return <Scale {...props} />
  }
}
