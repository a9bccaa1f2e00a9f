import { Square, Volume2 } from 'lucide-react'
import { Button } from '../ui/Button'
import { useKept } from '../offline/kept'
import { USUAL_A4 } from './pitch'
import { useReference } from './useReference'

/** A drone to play over, until it is ended. */
export function HoldTone({ midi, name }: { midi: number; name: string }) {
  const [a4] = useKept<number>('a4')
  const reference = useReference(a4 ?? USUAL_A4)
  const on = reference.held === midi
  return (
    <Button size="small" onClick={() => reference.hold(on ? null : midi)}>
      {on ? <Square size={15} /> : <Volume2 size={15} />}
      {on ? 'End the drone' : `Drone on ${name}`}
    </Button>
  )
}
