import type { HandShape, Instrument } from '../api/client'
import { placeY } from '../board/placeY'
import { Spot, spotWidth } from '../ui/Spot'
import { Wood } from '../ui/Wood'

const GAP = 92
const LEFT = 104
const NUT_Y = 66
const NOTE_X = 24
const RADIUS = 13.5

/**
 * Four strings of one key as a fingerboard to scale: each string's shape, its half steps joined, what changed ringed.
 */
export function ShapeBoard({
  instrument,
  shapes,
  height = 330,
}: {
  instrument: Instrument
  shapes: readonly HandShape[]
  height?: number
}) {
  const last = Math.max(7, ...shapes.flatMap((s) => [...s.spots, ...s.besides].map((p) => p.semitones))) + 1
  const y = (semitones: number) => NUT_Y + placeY(instrument.distances, semitones, last, height - 14)
  const x = (string: number) => LEFT + string * GAP
  const right = x(shapes.length - 1)
  return (
    <svg
      viewBox={`0 0 ${right + 84} ${NUT_Y + height + 8}`}
      className="w-full"
      role="img"
      aria-label={shapes
        .map(
          (s) =>
            `${s.string} string: ${s.name || 'no notes here'}, ${[...s.spots, ...s.besides].map((p) => `${p.name} ${p.sign}`).join(', ')}`,
        )
        .join('. ')}
    >
      <Wood left={LEFT - 44} right={right + 60} nutY={NUT_Y} length={height} tapes={instrument.tapes} y={y} />
      {shapes.map((shape, s) => (
        <g key={s}>
          <line
            x1={x(s)}
            x2={x(s)}
            y1={NUT_Y - 5}
            y2={NUT_Y + height}
            className="stroke-line-dark"
            strokeWidth={(instrument.strings[s]?.thickness ?? 1) * 1.25}
          />
          <text x={x(s)} y={14} textAnchor="middle" className="fill-ink font-head text-string font-semibold">
            {shape.string} {shape.mark && <tspan className="fill-maple-dark">{shape.mark}</tspan>}
          </text>
          <text x={x(s)} y={32} textAnchor="middle" className="fill-maple-dark text-fine font-bold">
            {shape.name}
          </text>
          {!shape.openInKey && (
            <text y={46} textAnchor="middle" className="fill-brick text-fine">
              <tspan x={x(s)}>no open {shape.openName} </tspan>
              <tspan x={x(s)} dy={12}>
                in this key
              </tspan>
            </text>
          )}
          {shape.halfSteps.map((h) => (
            <line
              key={h.lower}
              x1={x(s)}
              x2={x(s)}
              y1={h.lower === 0 ? NUT_Y : y(h.lower)}
              y2={y(h.upper)}
              strokeWidth={9}
              className="stroke-maple"
            />
          ))}
          {shape.openInKey && (
            <circle cx={x(s)} cy={NUT_Y - 2} r={7} strokeWidth={3} className="fill-paper stroke-maple" />
          )}
          {[...shape.spots, ...shape.besides].map((p) => (
            <g key={p.semitones}>
              <Spot
                x={x(s)}
                y={y(p.semitones)}
                radius={RADIUS}
                sign={p.sign}
                sizePx={14}
                className={shape.besides.includes(p) ? 'fill-ebony stroke-line-dark' : 'fill-paper stroke-ebony'}
                ink={shape.besides.includes(p) ? 'fill-line font-bold' : 'fill-ink font-bold'}
              />
              <text
                x={x(s) + NOTE_X + spotWidth(p.sign, RADIUS, 14) / 2 - RADIUS}
                y={y(p.semitones)}
                dominantBaseline="central"
                className={`text-sm ${p.changed ? 'fill-maple-pale font-bold' : 'fill-line'}`}
                textDecoration={p.changed ? 'underline' : undefined}
              >
                {p.name}
              </text>
            </g>
          ))}
        </g>
      ))}
    </svg>
  )
}
