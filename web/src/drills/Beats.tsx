import { useState } from 'react'
import { Drawn } from './Drawn'
import { Choices } from './Press'
import type { SurfaceProps } from './answering'
import { ValueSign } from './ValueSign'

/** A bar with a gap: which value is missing; or a whole bar: is it right? */
export function BeatChoice({ question, onReply, solved, gap }: SurfaceProps & { gap: boolean }) {
  const [chosen, setChosen] = useState<string | null>(null)
  return (
    <>
      {question.sheet.music && (
        <Drawn music={question.sheet.music} label={question.picture} solved={solved} gap={gap} />
      )}
      <div className="mt-4">
        <Choices
          label={gap ? 'Value' : 'Sum'}
          choices={question.choices}
          chosen={chosen}
          disabled={solved}
          onChoose={(value) => {
            setChosen(value)
            onReply(gap ? { value } : { sum: value })
          }}
          {...(gap && { sign: (value: string) => <ValueSign value={value} /> })}
        />
      </div>
    </>
  )
}

/** A row of notes: barlines are set between them. */
export function Barlines({ question, onReply, solved }: SurfaceProps) {
  const [after, setAfter] = useState<readonly number[]>([])
  const toggle = (n: number) => {
    const next = after.includes(n) ? after.filter((x) => x !== n) : [...after, n].sort((a, b) => a - b)
    setAfter(next)
    onReply(next.length === 0 ? null : { after: next })
  }
  const { music } = question.sheet
  return (
    music && (
      <Drawn music={music} label={question.picture} solved={solved} inBars>
        {({ layout }) =>
          question.events.slice(1).map((id, i) => {
            const [before, next] = [layout.notes.get(question.events[i] ?? ''), layout.notes.get(id)]
            const system = next && layout.systems[next.system]
            if (!before || !next || !system) return null
            // At the beginning of a line the gap lies before its first note.
            const x = before.system === next.system ? (before.x + next.x) / 2 : next.x - 24
            const isSet = after.includes(i + 1)
            const isRight = music.barlinesAfter.includes(question.events[i] ?? '')
            return (
              <button
                key={id}
                type="button"
                aria-pressed={isSet}
                aria-label={`Barline after note ${i + 1}`}
                disabled={solved}
                onClick={() => toggle(i + 1)}
                className="group absolute flex justify-center"
                style={{ left: x - 13, top: system.top - 10, width: 26, height: system.bottom - system.top + 20 }}
              >
                <span
                  className={`my-2.5 ${isSet && !(solved && isRight) ? `w-0.5 ${solved ? 'bg-maple' : 'bg-ink'}` : 'border-l-2 border-dotted border-line-dark group-enabled:group-hover:border-solid group-enabled:group-hover:border-maple group-disabled:border-transparent'}`}
                  style={{ height: system.bottom - system.top }}
                />
              </button>
            )
          })
        }
      </Drawn>
    )
  )
}
