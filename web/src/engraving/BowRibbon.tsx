import type { Engravable, Travel } from '../api/client'
import type { Layout } from './layout'
import { strokePieces, type StrokePiece } from './strokePieces'

const FULL_HEIGHT = 22
const RUNS_OUT = 'runs out'
/** Room that these words take, and how far below the frog's line they stand, clear of the thick stroke. */
const WORDS_PX = { width: 48, below: 12 }

/**
 * The bow's place along the tune: a thin line between frog (below) and tip (above); where a stroke runs out, it is
 * thick and says so.
 */
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
  const strokes = (reading.travels ?? []).map((travel) => ({
    travel,
    pieces: strokePieces(travel, ids, order, layout),
  }))
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
      {strokes.flatMap(({ travel, pieces }) =>
        pieces.map((p, i) => (
          <line
            key={`${travel.noteId}-${i}`}
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
        )),
      )}
      {wordsUnder(strokes).map(({ system, x }) => (
        <text
          key={`${system}-${x}`}
          x={x}
          y={level(system, 0) + WORDS_PX.below * scale}
          dominantBaseline="central"
          className="fill-brick font-bold"
          fontSize={11 * scale}
        >
          {RUNS_OUT}
        </text>
      ))}
    </g>
  )
}

/**
 * Where a stroke that runs out says so: under its beginning, within the line of music; not where the last has just said
 * it.
 */
function wordsUnder(strokes: readonly { travel: Travel; pieces: readonly StrokePiece[] }[]) {
  const said: { system: number; x: number }[] = []
  for (const { travel, pieces } of strokes) {
    const [first] = pieces
    const last = said.at(-1)
    if (!travel.runsOut || !first) continue
    if (!last || last.system !== first.system || last.x + WORDS_PX.width <= first.x1)
      said.push({ system: first.system, x: first.x1 })
  }
  return said
}
