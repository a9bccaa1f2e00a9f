import type { Instrument, QuestionBoard as Board } from '../api/client'
import { placeY } from '../board/placeY'
import { Spot, spotWidth } from '../ui/Spot'

const LONG = 250
const NUT_X = 26
const TOP = 12
const APART = 21
const RADIUS = 9.5

/**
 * A fingerboard to scale, lying, for pencil and printer: strings as lines, tapes across. One string, or all of them.
 */
export function QuestionBoard({
  instrument,
  board,
  solved,
}: {
  instrument: Instrument
  board: Board
  solved: boolean
}) {
  const strings = instrument.strings.filter((s) => board.only === null || s.index === board.only)
  const last = Math.max(8, ...board.spots.map((s) => s.semitones + 1))
  const x = (semitones: number) => NUT_X + placeY(instrument.distances, semitones, last, LONG)
  // The highest string lies on top, as on the staff.
  const y = (string: number) => TOP + (strings.length - 1 - strings.findIndex((s) => s.index === string)) * APART
  const bottom = TOP + (strings.length - 1) * APART
  const shown = solved || board.shown
  return (
    <svg
      viewBox={`0 0 ${NUT_X + LONG + 6} ${bottom + 36}`}
      className="w-full max-w-80"
      role="img"
      aria-label={`Fingerboard with ${strings.length === 1 ? `the ${strings[0]?.name ?? ''} string` : 'all strings'}${shown ? `: ${board.spots.map((s) => `${s.sign} (${s.name})`).join(', ')}` : ', empty'}`}
    >
      <rect x={NUT_X - 4} y={TOP - 8} width={4} height={bottom - TOP + 16} className="fill-ink" />
      {instrument.tapes.map((tape, i) => (
        <g key={tape.semitones}>
          <line
            x1={x(tape.semitones)}
            x2={x(tape.semitones)}
            y1={TOP - 8}
            y2={bottom + 8}
            strokeWidth={3}
            className="stroke-line-dark"
          />
          <text
            x={x(tape.semitones)}
            y={bottom + (i % 2 === 0 ? 20 : 31)}
            textAnchor="middle"
            className="fill-soft text-mark"
          >
            {tape.name}
          </text>
        </g>
      ))}
      {strings.map((s) => (
        <g key={s.index}>
          <line
            x1={NUT_X - 4}
            x2={NUT_X + LONG}
            y1={y(s.index)}
            y2={y(s.index)}
            strokeWidth={s.thickness}
            className="stroke-ink"
          />
          <text x={4} y={y(s.index)} dominantBaseline="central" className="fill-ink font-head text-sm font-semibold">
            {s.name}
          </text>
        </g>
      ))}
      {shown &&
        board.spots.map((s) => (
          <Spot
            key={`${s.string} ${s.semitones}`}
            x={s.semitones === 0 ? NUT_X - 2 : x(s.semitones) - spotWidth(s.sign, RADIUS, 12) / 2 + RADIUS}
            y={y(s.string)}
            radius={RADIUS}
            sign={s.sign}
            sizePx={12}
            className="fill-white stroke-ink"
            ink="fill-ink font-bold"
          />
        ))}
    </svg>
  )
}
