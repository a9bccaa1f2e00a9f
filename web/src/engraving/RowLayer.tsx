import { memo } from 'react'
import type { Engravable, ReadingNote } from '../api/client'
import { BowMarks } from './BowMarks'
import { BowRibbon } from './BowRibbon'
import {
  POSITION_RISE,
  POSITION_SIZE,
  shownRows,
  TROUBLE_RISE_PX,
  type Layout,
  type RowId,
  type ShownRow,
} from './layout'

/**
 * The rows under the staff, drawn over the engraved picture at the places of its notes. What belongs to a note bears
 * its id (data-of), so that it can be marked without drawing the rows anew.
 */
export const RowLayer = memo(function RowLayer({
  reading,
  layout,
  rows,
  onPick,
  unlabelled = false,
  scale,
}: {
  reading: Engravable
  layout: Layout
  rows: readonly RowId[]
  onPick?: ((id: string) => void) | undefined
  /** Without the rows’ names at the left. */
  unlabelled?: boolean
  /** Size of the rows, 1 on the stand. */
  scale: number
}) {
  const shown = shownRows(rows)
  // From the middle of the first row to the middle of each.
  const offsets = shown.map((row, i) => {
    const above = shown.slice(0, i).reduce((sum, r) => sum + r.height, 0)
    return (above + (row.height - (shown[0]?.height ?? 0)) / 2) * scale
  })
  return (
    <svg className="pointer-events-none absolute inset-0 h-full w-full overflow-visible" aria-hidden="true">
      {!unlabelled && <RowNames reading={reading} layout={layout} shown={shown} offsets={offsets} />}
      {!unlabelled && <TroubleMarks reading={reading} layout={layout} />}
      {!unlabelled && <NewMarks reading={reading} layout={layout} />}
      {shown.map((row, i) => {
        const y = (system: number) => (layout.systems[system]?.rowY ?? 0) + (offsets[i] ?? 0)
        if (row.id === 'place') return <BowRibbon key={row.id} reading={reading} layout={layout} y={y} scale={scale} />
        if (row.id === 'count')
          return <CountRow key={row.id} reading={reading} layout={layout} y={y} size={row.size * scale} />
        return reading.notes.map((note, k) => {
          const spot = layout.notes.get(note.id)
          const own = row.id === 'section' ? reading.sections?.[row.nth]?.pairs.get(note.id) : note
          if (!spot || !own || note.isGrace) return null
          return (
            <g
              key={`${row.id}${row.nth}-${note.id}`}
              data-of={note.id}
              className={onPick ? 'row pointer-events-auto cursor-pointer' : 'row'}
              onClick={() => onPick?.(note.id)}
            >
              <RowText
                row={row.id}
                note={own}
                both={reading.notes[k - 1]?.bar !== note.bar}
                x={spot.x}
                y={y(spot.system)}
                size={row.size * scale}
              />
            </g>
          )
        })
      })}
    </svg>
  )
})

function RowNames({
  reading,
  layout,
  shown,
  offsets,
}: {
  reading: Engravable
  layout: Layout
  shown: readonly ShownRow[]
  offsets: readonly number[]
}) {
  const { sections, staves } = reading
  const label = (row: ShownRow, system: number) =>
    row.id === 'section'
      ? sections?.[row.nth]?.name
      : row.id === 'pair' && staves
        ? staves[system % staves.length]
        : row.label
  return layout.systems.flatMap((system, s) =>
    shown
      .filter((row) => row.id !== 'place') // the ribbon names its own two lines
      .map((row) => (
        <text
          key={`${s}-${row.id}${row.nth}`}
          x={4}
          y={system.rowY + (offsets[shown.indexOf(row)] ?? 0)}
          className="row-label"
          dominantBaseline="central"
        >
          {label(row, s)}
        </text>
      )),
  )
}

function TroubleMarks({ reading, layout }: { reading: Engravable; layout: Layout }) {
  return reading.trouble?.map((t) => {
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
          <title>{`${t.title}: ${t.text}`}</title>
        </path>
      )
    )
  })
}

/** The word "new" where something new to the class first comes; over the mark of a trouble spot where there is one. */
function NewMarks({ reading, layout }: { reading: Engravable; layout: Layout }) {
  const trouble = new Set(reading.trouble?.map((t) => t.noteId))
  return reading.fresh?.map(({ id, name }) => {
    const spot = layout.notes.get(id)
    const system = spot && layout.systems[spot.system]
    return (
      system && (
        <text
          key={id}
          x={spot.x}
          y={Math.min(system.top - 6, spot.top) - (trouble.has(id) ? TROUBLE_RISE_PX + 3 : 5)}
          textAnchor="middle"
          className="fill-spruce text-mark font-bold"
          data-new={id}
        >
          new
          <title>{name}</title>
        </text>
      )
    )
  })
}

function RowText({
  row,
  note,
  both,
  x,
  y,
  size,
}: {
  row: RowId
  note: ReadingNote
  /** Also print the second time’s bow. */
  both: boolean
  x: number
  y: number
  size: number
}) {
  if (row === 'bow') return note.bowStarts ? <BowMarks note={note} both={both} x={x} y={y} /> : null
  const place = { x, y, fontSize: size, textAnchor: 'middle', dominantBaseline: 'central' } as const
  if (row === 'name' || row === 'words')
    return (
      <text {...place} className="fill-ink" data-words={row === 'words' ? note.words : undefined}>
        {row === 'name' ? note.name : note.words}
      </text>
    )
  if (note.label === '-')
    return (
      <text {...place} className="fill-brick font-bold">
        –
      </text>
    )
  const sign = note.sign ?? ''
  return (
    <text {...place} className="fill-ink" data-label={note.label}>
      <tspan fontSize={size * 0.74}>{note.label.slice(0, note.label.length - sign.length)}</tspan>
      <tspan
        className={sign.length > 1 ? 'sign font-bold' : 'sign'}
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

function CountRow({
  reading,
  layout,
  y,
  size,
}: {
  reading: Engravable
  layout: Layout
  y: (system: number) => number
  size: number
}) {
  const order = reading.bars.flatMap((b) => b.eventIds)
  const next = new Map(order.map((id, i) => [id, order[i + 1]]))
  return reading.counts.map((count) => {
    const spot = layout.notes.get(count.eventId)
    if (!spot) return null
    const following = layout.notes.get(next.get(count.eventId) ?? '')
    const system = layout.systems[spot.system]
    const end = following && following.system === spot.system ? following.x : (system?.right ?? spot.x + 40)
    const struck = count.kind === 'struck'
    return (
      <text
        key={`${count.eventId}-${count.offset}`}
        data-of={struck ? count.eventId : undefined}
        x={spot.x + (end - spot.x) * count.offset}
        y={y(spot.system)}
        fontSize={struck ? size : size - 2}
        textAnchor="middle"
        dominantBaseline="central"
        className={struck ? 'row sign fill-ink' : 'fill-soft'}
      >
        {count.kind === 'rest' ? `(${count.text})` : count.text}
      </text>
    )
  })
}
