import type { Engravable } from '../api/client'
import type { Layout } from './layout'

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
  const order = new Map(reading.bars.flatMap((b) => b.eventIds).map((id, i) => [id, i]))
  const ids = reading.bars.flatMap((b) => b.eventIds)
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
      {reading.travels?.flatMap((travel) => {
        // A stroke lasts until the note or rest after its last note; it may go on in the next system.
        const from = order.get(travel.noteId) ?? 0
        const to = (order.get(travel.lastId) ?? from) + 1
        const spots = ids.slice(from, to + 1).map((id) => layout.notes.get(id))
        const first = spots[0]
        if (!first) return []
        const last = spots.slice(0, -1).at(-1) ?? first
        const after = to < ids.length ? layout.notes.get(ids[to] ?? '') : undefined
        const end = after && after.system === last.system ? after.x - 3 : (layout.systems[last.system]?.right ?? last.x)
        const pieces =
          first.system === last.system
            ? [{ s: first.system, x1: first.x, x2: end, a: travel.from, b: travel.to }]
            : [
                {
                  s: first.system,
                  x1: first.x,
                  x2: layout.systems[first.system]?.right ?? first.x,
                  a: travel.from,
                  b: (travel.from + travel.to) / 2,
                },
                {
                  s: last.system,
                  x1: layout.systems[last.system]?.left ?? last.x,
                  x2: end,
                  a: (travel.from + travel.to) / 2,
                  b: travel.to,
                },
              ]
        return pieces.map((p, i) => (
          <g key={`${travel.noteId}-${i}`}>
            <line
              x1={p.x1}
              x2={p.x2}
              y1={level(p.s, p.a)}
              y2={level(p.s, p.b)}
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
                y={level(p.s, 0.5)}
                textAnchor="middle"
                dominantBaseline="central"
                className="fill-brick stroke-sheet text-[11px] font-bold"
                strokeWidth={3}
                paintOrder="stroke"
              >
                runs out
              </text>
            )}
          </g>
        ))
      })}
    </g>
  )
}
