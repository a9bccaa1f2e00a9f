import { memo } from 'react'
import type { Instrument, ShapeSpot } from '../api/client'
import { Spot } from '../ui/Spot'
import { Wood } from '../ui/Wood'
import { BoardPlaces } from './BoardPlaces'
import { BOARD, boardSize, type Place } from './boardSize'

/** At least so many half steps are shown, and one more than is in use. */
const LEAST_SHOWN = 7

/** The fingerboard as the player looks at it from above, its distances true to scale. */
export function Fingerboard({
  instrument,
  shapes,
  now,
  sign,
  probe,
  onProbe,
}: {
  instrument: Instrument
  shapes: readonly (readonly ShapeSpot[])[]
  now: Place | null
  sign: string | null
  probe: Place | null
  onProbe: (place: Place) => void
}) {
  const used = [now, probe, ...shapes.flat()].map((p) => p?.semitones ?? 0)
  const last = Math.min(instrument.highestPlace, Math.max(LEAST_SHOWN, ...used) + 1)
  const { x, y } = boardSize(instrument, last)
  const shown = now?.string ?? probe?.string
  return (
    <svg
      viewBox={`0 0 ${BOARD.width} ${BOARD.nutY + BOARD.length + 6}`}
      // Painted apart from the words below it, which change their height with every note.
      className="isolate w-full"
      role="group"
      aria-label={`Fingerboard of the ${instrument.name.toLowerCase()}`}
    >
      <Strung instrument={instrument} last={last} shown={shown} />
      {shown !== undefined &&
        shapes[shown]
          // Where the finger is, its own spot lies.
          ?.filter((spot) => spot.semitones > 0 && spot.semitones !== now?.semitones)
          .map((spot) => (
            <Spot
              key={`${shown}-${spot.semitones}`}
              x={x(shown)}
              y={y(spot.semitones)}
              radius={12.5}
              sign={spot.sign}
              sizePx={13}
              className="fill-ebony stroke-paper"
              ink="fill-paper"
            />
          ))}
      {now && (
        <g data-now={`${now.string}-${now.semitones}`}>
          {now.semitones === 0 ? (
            <circle
              cx={x(now.string)}
              cy={BOARD.nutY - 2}
              r={9}
              className="fill-paper stroke-maple"
              strokeWidth={3.5}
            />
          ) : (
            <Spot
              x={x(now.string)}
              y={y(now.semitones)}
              radius={14.5}
              sign={sign ?? ''}
              sizePx={15}
              className="fill-maple stroke-paper"
              ink="fill-ebony font-bold"
            />
          )}
        </g>
      )}
      {probe && (
        <circle
          cx={x(probe.string)}
          cy={probe.semitones === 0 ? BOARD.nutY - 2 : y(probe.semitones)}
          r={17}
          fill="none"
          strokeWidth={3}
          strokeDasharray="5 3"
          className="stroke-spruce-pale"
        />
      )}
      <BoardPlaces instrument={instrument} last={last} onProbe={onProbe} />
    </svg>
  )
}

/** Board, nut, tapes and strings; the string in use is bright. */
export const Strung = memo(function Strung({
  instrument,
  last,
  shown,
}: {
  instrument: Instrument
  last: number
  shown: number | undefined
}) {
  const { x, y, right } = boardSize(instrument, last)
  const { left, nutY, length } = BOARD
  return (
    <>
      <Wood left={left - 30} right={right + 30} nutY={nutY} length={length} tapes={instrument.tapes} y={y} />
      {instrument.strings.map((s) => (
        <g key={s.index}>
          <line
            x1={x(s.index)}
            x2={x(s.index)}
            y1={nutY - 5}
            y2={nutY + length}
            strokeWidth={s.thickness * 1.25}
            className={s.index === shown ? 'stroke-paper' : 'stroke-line-dark'}
          />
          <text
            x={x(s.index)}
            y={11}
            textAnchor="middle"
            dominantBaseline="central"
            className={`string-letter fill-soft font-head text-string ${s.index === shown ? 'is-now' : ''}`}
          >
            {s.name}
          </text>
        </g>
      ))}
    </>
  )
})
