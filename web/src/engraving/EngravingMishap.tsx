import { Button } from '../ui/Button'
import { CopyText } from '../ui/Mishap'
import { Refused } from '../ui/Said'
import type { Engraving } from './useEngraving'

/** Why there are no notes, or not all, with a way on; after a fault with the tune's text too. */
export function EngravingMishap({ engraving, source }: { engraving: Engraving; source: string | undefined }) {
  if (!engraving.error) return null
  return (
    <div className="no-print flex max-w-xl flex-col items-start gap-3 py-3">
      <Refused>{engraving.error}</Refused>
      <Button onClick={engraving.again}>{engraving.stopped ? 'Go on' : 'Try again'}</Button>
      {source && !engraving.stopped && <CopyText source={source} />}
    </div>
  )
}
