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
  const { asks, sheet } = props.question
  const asked = sheet.question as Fields
  switch (asks) {
    case 'name':
      return <NameIt {...props} />
    case 'finger':
      return <FingerIt {...props} />
    case 'write':
      return <WriteIt {...props} />
    case 'find':
      return <FindIt {...props} />
    case 'lineOrSpace':
      return <LineOrSpace {...props} />
    case 'stem':
      return <Stem {...props} />
    case 'signature':
      return asked.write ? <SignatureWrite {...props} /> : <SignatureName {...props} />
    case 'handShape':
      return asked.draw ? <ShapeDraw {...props} /> : <ShapeName {...props} />
    case 'penWork':
      return <PenWork {...props} />
    case 'beats':
      return asked.task === 'barlines' ? <Barlines {...props} /> : <BeatChoice {...props} gap={asked.task === 'gap'} />
    case 'count':
      return <CountIt {...props} />
    case 'bow':
      return <BowIt {...props} />
    case 'difference':
      return <Difference {...props} />
    default:
      return <Scale {...props} />
  }
}
