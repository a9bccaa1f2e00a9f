import { useEffect, useEffectEvent } from 'react'
import { Button } from '../ui/Button'
import { useKept } from '../offline/kept'
import { placeOnLadder, type Climb } from './placeOnLadder'
import type { LearnWork } from './queries'

/**
 * The tempo ladder: a rung is climbed after some clean repeats by the learner's own judgement; failing twice goes one
 * down.
 */
export function Ladder({
  name,
  ladder,
  onTempo,
  onReached,
}: {
  name: string
  ladder: NonNullable<LearnWork['ladder']>
  onTempo: (tempo: number) => void
  /** Gets each tempo that was played clean often enough. */
  onReached: (tempo: number) => void
}) {
  const [kept, keep] = useKept<Climb>(`ladder.${name}`)
  const { places, rungs } = ladder
  const at = placeOnLadder(places, kept)
  const tempo = rungs[at?.rung ?? ladder.start] ?? 60
  const begin = useEffectEvent(() => onTempo(tempo))
  // One comes back to the rung that one left.
  useEffect(() => begin(), [])
  const go = (isClean: boolean) => {
    const next = at && places[isClean ? at.ifClean : at.ifNot]
    if (!next) return
    keep({ rung: next.rung, clean: next.clean, failed: next.failed })
    if (isClean && at.reached !== null) onReached(at.reached)
    onTempo(rungs[next.rung] ?? tempo)
  }
  return (
    <section aria-label="Tempo ladder" className="my-2 border-l-4 border-spruce pl-3">
      <ol className="flex flex-wrap gap-1" aria-label="Rungs">
        {rungs.map((rung, i) => (
          <li
            key={rung}
            aria-current={i === at?.rung ? 'step' : undefined}
            className={`min-w-9 rounded-md border px-1.5 text-center text-sm ${i === at?.rung ? 'border-spruce bg-spruce font-bold text-paper' : i < (at?.rung ?? 0) ? 'border-spruce text-spruce' : 'border-line-dark text-soft'}`}
          >
            {rung}
          </li>
        ))}
      </ol>
      <p className="py-1 text-sm">{at?.words}</p>
      <div className="flex flex-wrap gap-2">
        <Button size="small" onClick={() => onTempo(tempo)}>
          Set {tempo}
        </Button>
        <Button size="small" kind="go" onClick={() => go(true)}>
          That was clean
        </Button>
        <Button size="small" onClick={() => go(false)}>
          Not yet
        </Button>
      </div>
    </section>
  )
}
