import { useMemo, useState } from 'react'
import type { RowId } from '../engraving/layout'
import type { Place } from '../board/boardSize'
import { Button } from '../ui/Button'
import { useKeys } from '../ui/useKeys'
import { Drawn } from './Drawn'
import { PressBoard } from './PressBoard'
import type { SurfaceProps } from './answering'

const ROW: readonly RowId[] = ['pair']
const NONE: readonly RowId[] = []
const GAP_PX = 26

/**
 * A scale from its first note: pressed note by note on the fingerboard; then its half steps are tapped between the
 * notes.
 */
export function Scale({ question, instrument, onReply, solved }: SurfaceProps) {
  const [spots, setSpots] = useState<readonly Place[]>([])
  const [halves, setHalves] = useState<readonly number[]>([])
  const count = question.events.length
  const complete = spots.length === count
  const tell = (next: readonly Place[], half: readonly number[]) => {
    if (solved || next.length > count) return
    setSpots(next)
    setHalves(half)
    onReply(
      next.length === count && half.length > 0
        ? {
            spots: next.map((s) => ({ string: instrument.strings[s.string]?.letter, semitones: s.semitones })),
            halfSteps: half,
          }
        : null,
    )
  }
  const back = () => tell(spots.slice(0, -1), [])
  useKeys({ Backspace: back })
  const { music } = question.sheet
  const right = (question.answer as { halfSteps: number[] }).halfSteps
  // The first note stands there; each press writes the next one.
  const shown = useMemo(
    () => music && { ...music, hidden: question.events.slice(Math.max(1, spots.length)) },
    [music, question.events, spots.length],
  )
  return (
    <div className="flex flex-col gap-2">
      {shown && (
        <Drawn
          music={shown}
          label={question.picture}
          rows={ROW}
          shown={solved ? ROW : NONE}
          solved={solved}
          inBars
          size="little"
        >
          {({ layout }) =>
            (complete || solved) &&
            question.events.slice(1).map((id, i) => {
              const [low, high] = [layout.notes.get(question.events[i] ?? ''), layout.notes.get(id)]
              const system = high && layout.systems[high.system]
              if (!low || !high || !system) return null
              const x = low.system === high.system ? (low.x + high.x) / 2 : high.x - GAP_PX
              const isHalf = (solved ? right : halves).includes(i + 1)
              if (solved && !isHalf) return null
              return (
                <button
                  key={id}
                  type="button"
                  aria-pressed={isHalf}
                  aria-label={`Half step from note ${i + 1} to note ${i + 2}`}
                  disabled={solved}
                  onClick={() => tell(spots, isHalf ? halves.filter((h) => h !== i + 1) : [...halves, i + 1])}
                  className={`absolute grid place-items-center rounded-md text-xl font-bold ${isHalf ? 'bg-maple text-ebony' : 'border border-dashed border-line-dark text-soft enabled:hover:bg-maple-pale'}`}
                  style={{ left: x - GAP_PX / 2, top: system.rowY - GAP_PX / 2, width: GAP_PX, height: GAP_PX }}
                >
                  {isHalf ? '½' : ''}
                </button>
              )
            })
          }
        </Drawn>
      )}
      <p className="text-soft" aria-live="polite">
        {solved
          ? ''
          : complete
            ? 'Now tap the half steps between the notes.'
            : `Note ${spots.length + 1} of ${count}${spots.length === 0 ? ': begin with the first' : ''}.`}
      </p>
      <div className="flex flex-wrap items-start gap-4">
        <PressBoard
          small
          instrument={instrument}
          marks={spots.map((s, i) => ({ ...s, sign: String(i + 1), kind: 'pressed' }))}
          onPress={solved || complete ? null : (at) => tell([...spots, at], [])}
        />
        <Button size="small" disabled={solved || spots.length === 0} onClick={back}>
          Take the last note back
        </Button>
      </div>
    </div>
  )
}
