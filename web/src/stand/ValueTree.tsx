import type { Reading } from '../api/client'

type Event = Reading['events'][number]

const LEVELS = [
  { quarters: 4, american: 'whole', british: 'semibreve' },
  { quarters: 2, american: 'half', british: 'minim' },
  { quarters: 1, american: 'quarter', british: 'crotchet' },
  { quarters: 0.5, american: 'eighth', british: 'quaver' },
  { quarters: 0.25, american: 'sixteenth', british: 'semiquaver' },
]
const NUMBERS = [
  'no',
  'one',
  'two',
  'three',
  'four',
  'five',
  'six',
  'seven',
  'eight',
  'nine',
  'ten',
  'eleven',
  'twelve',
]
const WIDTH = 280
const ROW = 24

const plural = (name: string) => (name === 'half' ? 'halves' : `${name}s`)

/** "This quarter is four sixteenths"; nothing for a value that does not part evenly. */
function parts(event: Event, finest: number, british: boolean) {
  const small = LEVELS.find((l) => l.quarters === finest)
  const count = event.length / finest
  if (!small || count < 2 || !Number.isInteger(count)) return null
  const name = plural(british ? small.british : small.american)
  return `This ${event.words} is ${NUMBERS[count] ?? count} ${name}.`
}

/** A bar halved and halved again, its own notes filled in where they stand. */
export function ValueTree({ events, now, british }: { events: readonly Event[]; now: string; british: boolean }) {
  const start = Math.min(...events.map((e) => e.onset))
  const end = Math.max(...events.map((e) => e.onset + e.length))
  const length = end - start
  const shortest = Math.min(...events.map((e) => e.length))
  const levels = LEVELS.filter((l) => l.quarters <= length && l.quarters >= Math.min(0.25, shortest))
  const x = (quarters: number) => ((quarters - start) / length) * WIDTH
  const current = events.find((e) => e.id === now)
  const words = current && (parts(current, 0.25, british) ?? parts(current, 0.5, british))
  return (
    <figure>
      <svg
        viewBox={`0 0 ${WIDTH} ${(levels.length + 1) * (ROW + 4)}`}
        className="w-full"
        role="img"
        aria-label={`Values of the bar: ${events.map((e) => e.words).join(', ')}`}
      >
        {levels.map((level, row) =>
          Array.from({ length: Math.floor(length / level.quarters + 0.001) }, (_, i) => (
            <g key={`${row}-${i}`}>
              <rect
                x={x(start + i * level.quarters) + 1}
                y={row * (ROW + 4)}
                width={x(start + level.quarters) - 2}
                height={ROW}
                rx={3}
                className="fill-paper stroke-line-dark"
              />
              {x(start + level.quarters) > 44 && (
                <text
                  x={x(start + (i + 0.5) * level.quarters)}
                  y={row * (ROW + 4) + ROW / 2}
                  textAnchor="middle"
                  dominantBaseline="central"
                  className="fill-soft text-[11px]"
                >
                  {british ? level.british : level.american}
                </text>
              )}
            </g>
          )),
        )}
        {events.map((e) => (
          <g key={e.id} data-value={e.words}>
            <rect
              x={x(e.onset) + 1}
              y={levels.length * (ROW + 4)}
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
      <figcaption className="text-sm">
        Dark: the bar’s own notes. {words ?? (current ? `This is a ${current.words}.` : '')}
      </figcaption>
    </figure>
  )
}
