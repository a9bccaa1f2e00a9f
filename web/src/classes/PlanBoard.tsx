import type { SectionPlan } from '../api/client'
import { BOARD, boardSize } from '../board/boardSize'
import { Strung } from '../board/Fingerboard'
import { Spot } from '../ui/Spot'

const RADIUS = 12.5
const SIGN_PX = 13
/** Two names in one place; syllables are longer than letters. */
const TWO_PX = 13
const SYLLABLE_PX = 9
/** From the outer strings to the edge of the picture. */
const EDGE = 34

/** A section's fingerboard: every place with its finger, filled where its note is known; a press ticks it. */
export function PlanBoard({
  section,
  onTick,
}: {
  section: SectionPlan
  onTick: (thing: string, known: boolean) => void
}) {
  const { instrument, board } = section
  const last = Math.max(...board.flatMap((spots) => spots.map((s) => s.semitones)))
  const { x, y, right } = boardSize(instrument, last)
  return (
    <svg
      // Without the room that the tapes’ names have elsewhere.
      viewBox={`${BOARD.left - EDGE} 0 ${right - BOARD.left + 2 * EDGE} ${BOARD.nutY + BOARD.length + 2}`}
      className="w-full"
      role="group"
      aria-label={`Fingerboard of the ${instrument.name.toLowerCase()}`}
    >
      <Strung instrument={instrument} last={last} shown={undefined} />
      {board.map((spots, s) =>
        spots.map((spot) =>
          spot.notes.map((note, n) => {
            // Two notes that are read for one place lie side by side.
            const share = BOARD.gap / spot.notes.length
            const middle = x(s) - BOARD.gap / 2 + (n + 0.5) * share
            const at = spot.semitones === 0 ? BOARD.nutY - 3 : y(spot.semitones)
            const two = spot.notes.length > 1
            const twoPx = note.name.length > 2 ? SYLLABLE_PX : TWO_PX
            return (
              <g
                key={note.thing}
                role="button"
                tabIndex={0}
                aria-pressed={note.known}
                aria-label={`${note.name} on ${instrument.strings[s]?.name ?? ''}, ${note.sign}${note.sign === '0' ? ', open' : ''}`}
                data-note={note.thing}
                className="cursor-pointer outline-none [&:focus-visible>.reach]:stroke-maple-pale [&:hover>.reach]:fill-paper/15"
                onClick={() => onTick(note.thing, note.known)}
                onKeyDown={(e) => {
                  if (e.key !== 'Enter' && e.key !== ' ') return
                  e.preventDefault()
                  onTick(note.thing, note.known)
                }}
              >
                <rect
                  className="reach"
                  x={middle - share / 2 + 0.5}
                  y={at - 16}
                  width={share - 1}
                  height={32}
                  fill="transparent"
                  strokeWidth={2}
                />
                <Spot
                  x={middle}
                  y={at}
                  radius={two ? RADIUS - 1.5 : RADIUS}
                  sign={two ? note.name : note.sign}
                  sizePx={two ? twoPx : SIGN_PX}
                  airPx={two ? 1 : undefined}
                  className={note.known ? 'fill-spruce stroke-paper' : 'fill-ebony stroke-line-dark'}
                  ink={note.known ? 'fill-paper font-bold' : 'fill-line-dark'}
                />
                <title>{`${note.name}${note.known ? ', known' : ''}`}</title>
              </g>
            )
          }),
        ),
      )}
    </svg>
  )
}
