import type { Reading } from '../api/client'

const WIDTH = 280
const ROW = 24
const STEP = ROW + 4
/** Narrower boxes bear no name. */
const NAMED_PX = 44

/** A bar halved and halved again, its own notes filled in where they stand. */
export function ValueTree({
  events,
  values,
  now,
}: {
  events: Reading['events']
  /** The values that a bar is halved into, longest first. */
  values: Reading['values']
  /** The note that one stands on. */
  now: string
}) {
  const start = Math.min(...events.map((e) => e.onset))
  const end = Math.max(...events.map((e) => e.onset + e.length))
  const length = end - start
  const levels = values.filter((v) => v.quarters <= length)
  const x = (quarters: number) => ((quarters - start) / length) * WIDTH
  const current = events.find((e) => e.id === now)
  return (
    <figure>
      <svg
        viewBox={`0 0 ${WIDTH} ${(levels.length + 1) * STEP}`}
        className="w-full"
        role="img"
        aria-label={`Values of the bar: ${events.map((e) => e.words).join(', ')}`}
      >
        {levels.map((level, row) =>
          Array.from({ length: Math.floor(length / level.quarters + 0.001) }, (_, i) => (
            <g key={`${row}-${i}`}>
              <rect
                x={x(start + i * level.quarters) + 1}
                y={row * STEP}
                width={x(start + level.quarters) - 2}
                height={ROW}
                rx={3}
                className="fill-paper stroke-line-dark"
              />
              {x(start + level.quarters) > NAMED_PX && (
                <text
                  x={x(start + (i + 0.5) * level.quarters)}
                  y={row * STEP + ROW / 2}
                  textAnchor="middle"
                  dominantBaseline="central"
                  className="fill-soft text-mark"
                >
                  {level.name}
                </text>
              )}
            </g>
          )),
        )}
        {events.map((e) => (
          <g key={e.id} data-value={e.words}>
            <rect
              x={x(e.onset) + 1}
              y={levels.length * STEP}
              width={Math.max(2, x(start + e.length) - 2)}
              height={ROW}
              rx={3}
              className={e.isRest ? 'fill-paper stroke-ink' : e.id === now ? 'fill-maple' : 'fill-ebony'}
              strokeDasharray={e.isRest ? '3 2' : undefined}
            >
              <title>{e.words}</title>
            </rect>
          </g>
        ))}
      </svg>
      <figcaption className="text-sm">Dark: the bar’s own notes. {current?.parts}</figcaption>
    </figure>
  )
}
