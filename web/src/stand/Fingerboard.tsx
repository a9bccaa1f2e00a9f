import { useRef, useState, type KeyboardEvent } from 'react'
import type { Instrument, ShapeSpot } from '../api/client'
import { Spot } from '../ui/Spot'
import { placeY } from './board'

export type Place = { string: number; semitones: number }

const WIDTH = 296
const NUT_Y = 34
const LENGTH = 306
const LEFT = 78
const GAP = 52

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
  const [focus, setFocus] = useState<Place>({ string: 1, semitones: 0 })
  const svg = useRef<SVGSVGElement>(null)
  const reach = Math.max(7, ...shapes.flat().map((s) => s.semitones), now?.semitones ?? 0, probe?.semitones ?? 0)
  const last = Math.min(instrument.highestPlace, reach + 1)
  const y = (semitones: number) => NUT_Y + placeY(semitones, last, LENGTH - 16)
  const x = (string: number) => LEFT + string * GAP
  const right = x(instrument.strings.length - 1)
  const shown = now?.string ?? probe?.string

  const move = (event: KeyboardEvent) => {
    const step = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key]
    if (!step) return
    event.preventDefault()
    const next = {
      string: Math.min(instrument.strings.length - 1, Math.max(0, focus.string + (step[0] ?? 0))),
      semitones: Math.min(last, Math.max(0, focus.semitones + (step[1] ?? 0))),
    }
    setFocus(next)
    svg.current?.querySelector<SVGGElement>(`[data-place="${next.string}-${next.semitones}"]`)?.focus()
  }

  return (
    <svg
      ref={svg}
      viewBox={`0 0 ${WIDTH} ${NUT_Y + LENGTH + 6}`}
      className="w-full"
      role="group"
      aria-label={`Fingerboard of the ${instrument.name.toLowerCase()}`}
      data-own-keys
    >
      <rect x={LEFT - 30} y={NUT_Y} width={right - LEFT + 60} height={LENGTH} className="fill-ebony" />
      <rect x={LEFT - 32} y={NUT_Y - 5} width={right - LEFT + 64} height={6} rx={1} className="fill-line-dark" />
      {instrument.tapes.map((tape) => (
        <g key={tape.semitones}>
          <rect x={LEFT - 30} y={y(tape.semitones) - 2} width={right - LEFT + 60} height={4} className="fill-maple" />
          <text
            x={LEFT - 38}
            y={y(tape.semitones)}
            textAnchor="end"
            dominantBaseline="central"
            className="fill-soft text-[13px]"
          >
            {tape.name}
          </text>
        </g>
      ))}
      {instrument.strings.map((s) => (
        <g key={s.index}>
          <line
            x1={x(s.index)}
            x2={x(s.index)}
            y1={NUT_Y - 5}
            y2={NUT_Y + LENGTH}
            strokeWidth={s.thickness * 1.25}
            className={s.index === shown ? 'stroke-paper' : 'stroke-line-dark'}
          />
          <text
            x={x(s.index)}
            y={14}
            textAnchor="middle"
            dominantBaseline="central"
            className={`font-head text-[17px] ${s.index === shown ? 'fill-maple-dark font-bold' : 'fill-soft'}`}
          >
            {s.letter}
          </text>
        </g>
      ))}
      {shapes.map((spots, string) =>
        spots
          .filter((spot) => spot.semitones > 0 && string === shown)
          .map((spot) => (
            <Spot
              key={`${string}-${spot.semitones}`}
              x={x(string)}
              y={y(spot.semitones)}
              radius={12.5}
              sign={spot.sign}
              sizePx={13}
              className="fill-ebony stroke-paper"
              ink="fill-paper"
            />
          )),
      )}
      {now && (
        <g data-now={`${now.string}-${now.semitones}`}>
          {now.semitones === 0 ? (
            <circle cx={x(now.string)} cy={NUT_Y - 2} r={9} className="fill-paper stroke-maple" strokeWidth={3.5} />
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
          cy={probe.semitones === 0 ? NUT_Y - 2 : y(probe.semitones)}
          r={17}
          fill="none"
          strokeWidth={3}
          strokeDasharray="5 3"
          className="stroke-spruce-pale"
        />
      )}
      {instrument.strings.flatMap((s) =>
        Array.from({ length: last + 1 }, (_, n) => {
          const top = n === 0 ? NUT_Y - 22 : (y(n - 1) + y(n)) / 2
          const bottom = n === last ? NUT_Y + LENGTH : (y(n) + y(n + 1)) / 2
          return (
            <g
              key={`${s.index}-${n}`}
              role="button"
              tabIndex={focus.string === s.index && focus.semitones === n ? 0 : -1}
              aria-label={
                n === 0 ? `open ${s.letter} string` : `${s.letter} string, ${n} half step${n === 1 ? '' : 's'} up`
              }
              data-place={`${s.index}-${n}`}
              className="cursor-pointer [&:focus-visible>rect]:stroke-maple-pale [&:hover>rect]:fill-paper/10"
              style={{ outline: 'none' }}
              onClick={() => onProbe({ string: s.index, semitones: n })}
              onFocus={() => setFocus({ string: s.index, semitones: n })}
              onKeyDown={(event) => {
                move(event)
                if (event.key === 'Enter' || event.key === ' ') {
                  event.preventDefault()
                  onProbe({ string: s.index, semitones: n })
                }
              }}
            >
              <rect
                x={x(s.index) - GAP / 2 + 3}
                y={n === 0 ? NUT_Y - 22 : top}
                width={GAP - 6}
                height={(n === 0 ? NUT_Y + 6 : bottom) - top}
                fill="transparent"
                strokeWidth={2.5}
              />
            </g>
          )
        }),
      )}
    </svg>
  )
}
