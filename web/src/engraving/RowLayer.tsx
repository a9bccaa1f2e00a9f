import type { Engravable, ReadingNote } from '../api/client'
import { BowRibbon } from './BowRibbon'
import { POSITION_RISE, POSITION_SIZE, ROWS, TROUBLE_RISE_PX, type Layout, type RowId } from './layout'

/** The rows under the staff, drawn over the engraved picture at the places of its notes. */
export function RowLayer({
  reading,
  layout,
  rows,
  now,
  onPick,
  unlabelled = false,
  scale,
}: {
  reading: Engravable
  layout: Layout
  rows: readonly RowId[]
  now: string | null
  onPick?: (id: string) => void
  /** Without the rows’ names at the left. */
  unlabelled?: boolean
  /** Size of the rows, 1 on the stand. */
  scale: number
}) {
  const shown = ROWS.filter((r) => rows.includes(r.id))
  // From the middle of the first row to the middle of each.
  const offsets = shown.map((row, i) => {
    const above = shown.slice(0, i).reduce((sum, r) => sum + r.height, 0)
    return (above + (row.height - (shown[0]?.height ?? 0)) / 2) * scale
  })
  return (
    <svg className="pointer-events-none absolute inset-0 h-full w-full overflow-visible" aria-hidden="true">
      {(unlabelled ? [] : layout.systems).map((system, s) =>
        shown
          .filter((row) => row.id !== 'place')
          .map((row) => (
            <text
              key={`${s}-${row.id}`}
              x={4}
              y={system.rowY + (offsets[shown.indexOf(row)] ?? 0)}
              className="row-label"
              dominantBaseline="central"
            >
              {row.label}
            </text>
          )),
      )}
      {!unlabelled &&
        reading.trouble?.map((t) => {
          const spot = layout.notes.get(t.noteId)
          const system = spot && layout.systems[spot.system]
          return (
            system && (
              <path
                key={t.noteId}
                d={`M${spot.x - 5},${Math.min(system.top - 6, spot.top) - TROUBLE_RISE_PX} h10 l-5,8 z`}
                className={t.isSlip ? 'fill-none stroke-brick' : 'fill-brick'}
                strokeWidth={t.isSlip ? 1.2 : undefined}
                data-trouble={t.noteId}
              >
                <title>{t.isSlip ? `The likeliest slip in this line: ${t.text}` : t.text}</title>
              </path>
            )
          )
        })}
      {shown.map((row, i) => {
        const y = (system: number) => (layout.systems[system]?.rowY ?? 0) + (offsets[i] ?? 0)
        if (row.id === 'place') return <BowRibbon key={row.id} reading={reading} layout={layout} y={y} scale={scale} />
        if (row.id === 'count')
          return <CountRow key={row.id} reading={reading} layout={layout} y={y} size={row.size * scale} now={now} />
        return reading.notes.map((note, k) => {
          const firstOfBar = reading.notes[k - 1]?.bar !== note.bar
          const spot = layout.notes.get(note.id)
          if (!spot || note.isGrace) return null
          return (
            <g
              key={`${row.id}-${note.id}`}
              className={onPick ? 'pointer-events-auto cursor-pointer' : ''}
              onClick={() => onPick?.(note.id)}
            >
              <RowText
                row={row.id}
                note={note}
                both={firstOfBar}
                x={spot.x}
                y={y(spot.system)}
                size={row.size * scale}
                isNow={note.id === now}
              />
            </g>
          )
        })
      })}
    </svg>
  )
}

function RowText({
  row,
  note,
  both,
  x,
  y,
  size,
  isNow,
}: {
  row: RowId
  note: ReadingNote
  /** Also print the second time’s bow. */
  both: boolean
  x: number
  y: number
  size: number
  isNow: boolean
}) {
  const ink = isNow ? 'fill-maple-dark' : 'fill-ink'
  if (row === 'bow') return note.bowStarts ? <BowMarks note={note} both={both} x={x} y={y} isNow={isNow} /> : null
  if (row === 'name')
    return (
      <text x={x} y={y} fontSize={size} textAnchor="middle" dominantBaseline="central" className={ink}>
        {note.name}
      </text>
    )
  if (note.label === '-')
    return (
      <text x={x} y={y} fontSize={size} textAnchor="middle" dominantBaseline="central" className="fill-brick font-bold">
        –
      </text>
    )
  const sign = note.sign ?? ''
  return (
    <text
      x={x}
      y={y}
      fontSize={size}
      textAnchor="middle"
      dominantBaseline="central"
      className={ink}
      data-label={note.label}
    >
      <tspan fontSize={size * 0.74}>{note.label.slice(0, note.label.length - sign.length)}</tspan>
      <tspan
        className={isNow || sign.length > 1 ? 'font-bold' : ''}
        textDecoration={note.pinned ? 'underline' : undefined}
      >
        {sign}
      </tspan>
      {note.newPosition && (
        <tspan fontSize={size * POSITION_SIZE} dy={-size * POSITION_RISE} dx={1} className="fill-maple-dark font-bold">
          {note.newPosition}
        </tspan>
      )}
      {note.beyond && (
        <tspan dy={note.newPosition ? size * POSITION_RISE : 0} className="fill-brick font-bold">
          *
        </tspan>
      )}
    </text>
  )
}

/** The direction; where a repeat comes back the other way round, both at the first stroke of a bar, the second in brackets. */
function BowMarks({
  note,
  both,
  x,
  y,
  isNow,
}: {
  note: ReadingNote
  both: boolean
  x: number
  y: number
  isNow: boolean
}) {
  if (!note.bowAgain || !both) return <BowMark up={note.bow === 'up'} x={x} y={y} isNow={isNow} />
  return (
    <g data-bow-again={note.bowAgain}>
      <BowMark up={note.bow === 'up'} x={x - 8} y={y} isNow={isNow} />
      <text x={x + 8} y={y} textAnchor="middle" dominantBaseline="central" className="fill-soft text-[15px]">
        ({'\u2002'})
      </text>
      <g transform={`translate(${x + 8} ${y}) scale(0.62)`}>
        <BowMark up={note.bowAgain === 'up'} x={0} y={0} isNow={isNow} />
      </g>
    </g>
  )
}

/** Down bow: a square open below; up bow: a point. Drawn, so that no music font is needed. */
function BowMark({ up, x, y, isNow }: { up: boolean; x: number; y: number; isNow: boolean }) {
  const path = up
    ? `M${x - 4.5},${y - 6.5} L${x},${y + 6.5} L${x + 4.5},${y - 6.5}`
    : `M${x - 5.5},${y + 5} V${y - 5} H${x + 5.5} V${y + 5}`
  return (
    <path
      d={path}
      fill="none"
      strokeWidth={up ? 1.8 : 2.2}
      className={isNow ? 'stroke-maple-dark' : 'stroke-ink'}
      data-bow={up ? 'up' : 'down'}
    />
  )
}

function CountRow({
  reading,
  layout,
  y,
  size,
  now,
}: {
  reading: Engravable
  layout: Layout
  y: (system: number) => number
  size: number
  now: string | null
}) {
  const order = reading.bars.flatMap((b) => b.eventIds)
  const next = new Map(order.map((id, i) => [id, order[i + 1]]))
  return reading.counts.map((count) => {
    const spot = layout.notes.get(count.eventId)
    if (!spot) return null
    const following = layout.notes.get(next.get(count.eventId) ?? '')
    const system = layout.systems[spot.system]
    const end = following && following.system === spot.system ? following.x : (system?.right ?? spot.x + 40)
    const x = spot.x + (end - spot.x) * count.offset
    const struck = count.kind === 'struck'
    return (
      <text
        key={`${count.eventId}-${count.offset}`}
        x={x}
        y={y(spot.system)}
        fontSize={struck ? size : size - 2}
        textAnchor="middle"
        dominantBaseline="central"
        className={struck ? (count.eventId === now ? 'fill-maple-dark font-bold' : 'fill-ink') : 'fill-soft'}
      >
        {count.kind === 'rest' ? `(${count.text})` : count.text}
      </text>
    )
  })
}
