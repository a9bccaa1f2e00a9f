import { useState } from 'react'
import { useKeys } from '../ui/useKeys'
import { Drawn } from './Drawn'
import type { SurfaceProps } from './answering'

/** Two bars nearly the same: the note that differs is ringed. */
export function Difference({ question, onReply, solved }: SurfaceProps) {
  const [at, setAt] = useState<number | null>(null)
  const ring = (event: number) => {
    if (solved || event < 0 || event >= question.events.length) return
    setAt(event)
    onReply({ event })
  }
  useKeys({
    ArrowRight: () => ring(at === null ? 0 : at + 1),
    ArrowLeft: () => ring(at === null ? question.events.length - 1 : at - 1),
  })
  const { music } = question.sheet
  const id = at === null ? undefined : question.events[at]
  return (
    <>
      {music && (
        <Drawn
          music={music}
          label={question.picture}
          solved={solved}
          inBars
          same={id === undefined ? NONE : [id]}
          onPick={(note) => ring(question.events.indexOf(note))}
        />
      )}
      <p className="mt-3 text-soft" aria-live="polite">
        {at === null ? 'Press a note, or go there with the arrow keys.' : `Note ${at + 1} is ringed.`}
      </p>
    </>
  )
}
const NONE: readonly string[] = []
