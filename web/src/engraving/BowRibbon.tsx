import type { Engravable } from '../api/client'
import type { Layout } from './layout'
import { strokePieces } from './strokePieces'

const FULL_HEIGHT = 22

/** The bow's place along the tune: a thin line between frog (below) and tip (above); where a stroke runs out, it is thick and says so. */
export function BowRibbon({
  reading,
  layout,
  y,
  scale,
}: {
  reading: Engravable
  layout: Layout
  /** Middle of the row of a system. */
  y: (system: number) => number
  scale: number
}) {
  const height = FULL_HEIGHT * scale
  const ids = reading.bars.flatMap((b) => b.eventIds)
  const order = new Map(ids.map((id, i) => [id, i]))
  const level = (system: number, place: number) => y(system) + height / 2 - place * height
  return (
    <g data-ribbon>
      {layout.systems.map((system, s) => (
        <g key={s}>
          {[
            ['frog', 0],
            ['tip', 1],
          ].map(([name, place]) => {
            const at = level(s, Number(place))
            return (
              <g key={name}>
                <line x1={system.left} x2={system.right} y1={at} y2={at} className="stroke-line" strokeWidth={1} />
                <text x={system.left - 5} y={at} className="row-label" textAnchor="end" dominantBaseline="central">
                  {name}
                </text>
              </g>
            )
          })}
        </g>
      ))}
      {reading.travels?.flatMap((travel) =>
        strokePieces(travel, ids, order, layout).map((p, i) => (
          <g key={`${travel.noteId}-${i}`}>
            <line
              x1={p.x1}
              x2={p.x2}
              y1={level(p.system, p.from)}
              y2={level(p.system, p.to)}
              strokeWidth={travel.runsOut ? 4 : 2}
              strokeLinecap="round"
              className={travel.runsOut ? 'stroke-brick' : travel.down ? 'stroke-ink' : 'stroke-maple-dark'}
              data-travel={travel.noteId}
              data-runs-out={travel.runsOut ? 'yes' : undefined}
            >
              <title>{`${travel.down ? 'Down' : 'Up'}, ${travel.amount}${travel.runsOut ? '; runs out of bow' : ''}`}</title>
            </line>
            {travel.runsOut && i === 0 && (
              <text
                x={(p.x1 + p.x2) / 2}
                y={level(p.system, 0.5)}
                textAnchor="middle"
                dominantBaseline="central"
                className="fill-brick stroke-sheet text-mark font-bold"
                strokeWidth={3}
                paintOrder="stroke"
              >
                runs out
              </text>
            )}
          </g>
        )),
      )}
    </g>
  )
}
