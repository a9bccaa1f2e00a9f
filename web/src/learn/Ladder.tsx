import { useEffect, useEffectEvent } from 'react'
import { Button } from '../ui/Button'
import { useKept } from '../ui/kept'
import type { LearnWork } from './queries'
import { climbed, mastered, type Climb } from './climb'

/** The tempo ladder: a rung is climbed after some clean repeats by the learner's own judgement; failing twice goes one down. */
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
  const at = kept ?? { rung: ladder.start, clean: 0, failed: 0 }
  const tempo = ladder.rungs[at.rung] ?? ladder.rungs[ladder.start] ?? 60
  const begin = useEffectEvent(() => onTempo(tempo))
  // One comes back to the rung that one left.
  useEffect(() => begin(), [])
  const go = (clean: boolean) => {
    const next = climbed(at, clean, ladder)
    keep(next)
    const reached = mastered(at, next, ladder)
    if (reached !== null) onReached(reached)
    onTempo(ladder.rungs[next.rung] ?? tempo)
  }
  const isTop = at.rung === ladder.rungs.length - 1
  return (
    <section aria-label="Tempo ladder" className="my-2 border-l-4 border-spruce pl-3">
      <ol className="flex flex-wrap gap-1" aria-label="Rungs">
        {ladder.rungs.map((rung, i) => (
          <li
            key={rung}
            aria-current={i === at.rung ? 'step' : undefined}
            className={`min-w-9 rounded-md border px-1.5 text-center text-sm ${i === at.rung ? 'border-spruce bg-spruce font-bold text-paper' : i < at.rung ? 'border-spruce text-spruce' : 'border-line-dark text-soft'}`}
          >
            {rung}
          </li>
        ))}
      </ol>
      <p className="py-1 text-sm">
        {isTop && at.clean >= ladder.cleanToClimb
          ? `You have reached ${tempo}. Well done.`
          : `Play it at ${tempo}. ${ladder.cleanToClimb - at.clean} more clean ${ladder.cleanToClimb - at.clean === 1 ? 'time' : 'times'}${isTop ? '' : ' and you climb'}.`}
      </p>
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
