import { useEffect, useState } from 'react'
import type { DrillQuestion } from '../api/client'
import { Button } from '../ui/Button'
import { useKeys } from '../ui/useKeys'

/** Whoever waits so long hesitates: a player has less time than that (craft 14, common practice). */
const HESITATES_MS = 8000

/** Questions that lead on, one at a time: first the question, then what is so. */
export function Help({ steps, solved }: { steps: DrillQuestion['help']; solved: boolean }) {
  // Twice as many presses as steps: a question, its answer, the next question.
  const [pressed, setPressed] = useState(0)
  const more = pressed < 2 * steps.length
  const next = () => more && setPressed(pressed + 1)
  useKeys({ '?': next })
  // The first question comes by itself, without what is so.
  useEffect(() => {
    if (solved) return
    const timer = setTimeout(() => setPressed((now) => Math.max(1, now)), HESITATES_MS)
    return () => clearTimeout(timer)
  }, [solved])
  if (steps.length === 0) return null
  return (
    <aside aria-label="Help" className="lg:border-l lg:border-line lg:pl-6">
      <ol aria-live="polite" className="flex flex-col gap-3">
        {steps.slice(0, Math.ceil(pressed / 2)).map((step, i) => (
          <li key={i}>
            <p className="font-bold">{step.ask}</p>
            {pressed >= 2 * (i + 1) && <p className="text-said">{step.say}</p>}
          </li>
        ))}
      </ol>
      {more && (
        <div className="mt-3">
          <Button onClick={next}>
            {pressed === 0 ? 'Help me on' : pressed % 2 === 1 ? 'And so?' : 'Next hint'}{' '}
            <kbd className="max-md:hidden" aria-hidden="true">
              ?
            </kbd>
          </Button>
        </div>
      )}
    </aside>
  )
}
