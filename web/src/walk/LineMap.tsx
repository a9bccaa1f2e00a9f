import { useVirtualizer } from '@tanstack/react-virtual'
import { memo, useEffect, useMemo, useRef } from 'react'
import type { Reading } from '../api/client'

/** How a bar is like an earlier one, as a small sign in its cell, and what the sign means. */
const SIGNS: Partial<Record<Reading['form']['likenesses'][number]['kind'], { sign: string; means: string }>> = {
  sequence: { sign: '≈', means: 'an earlier bar higher or lower' },
  octave: { sign: '8', means: 'an octave off' },
  otherRhythm: { sign: '♪', means: 'in another rhythm' },
  upsideDown: { sign: '⇅', means: 'upside down' },
  rhythmTurned: { sign: '↔', means: 'its rhythm turned round' },
}

/** "≈ an earlier bar higher or lower, 8 an octave off …" */
export const SIGNS_IN_WORDS = Object.values(SIGNS)
  .map(({ sign, means }) => `${sign} ${means}`)
  .join(', ')

/** A bar in the map. */
type Cell = {
  id: string
  trap: boolean
  trouble: boolean
  slip: boolean
  beyond: boolean
  fresh: boolean
  sign: string | undefined
}

/** One line of music: its letter, its bars by number, and a cell for each. */
type MapLine = { letter: string; first: number; last: number; cells: Cell[] }

function linesOf({ form, bars, trouble, notes, news }: Reading): MapLine[] {
  const traps = new Set(form.traps.map((t) => t.bar))
  const hard = new Set(trouble.filter((t) => !t.isSlip).map((t) => t.bar))
  const slips = new Set(trouble.filter((t) => t.isSlip).map((t) => t.bar))
  const signs = new Map(form.likenesses.map((l) => [l.bar, SIGNS[l.kind]?.sign] as const).filter(([, sign]) => sign))
  const barOf = new Map(bars.flatMap((b, i) => b.eventIds.map((id) => [id, i] as const)))
  const beyond = new Set(notes.filter((n) => n.beyond).map((n) => barOf.get(n.id)))
  const fresh = new Set(news?.things.map((t) => t.barId))
  return form.lines.map((l) => {
    const own = bars.slice(l.firstBar, l.endBar)
    const first = Math.max(1, own[0]?.number ?? 1)
    const cells = own.map(({ id }, k) => {
      const bar = l.firstBar + k
      return {
        id,
        trap: traps.has(bar),
        trouble: hard.has(bar),
        slip: slips.has(bar),
        beyond: beyond.has(bar),
        fresh: fresh.has(id),
        sign: signs.get(bar),
      }
    })
    return { letter: l.letter, first, last: own.at(-1)?.number ?? first, cells }
  })
}

/** Height of a strip with the air below it, in CSS pixels. */
const STRIP_PX = 51

/**
 * One strip a line of music: its letter, a cell a bar, marks for traps, trouble and what is beyond the class. Click to
 * go there.
 */
export const LineMap = memo(function LineMap({
  reading,
  line,
  onGo,
}: {
  reading: Reading
  line: number
  onGo: (line: number) => void
}) {
  const lines = useMemo(() => linesOf(reading), [reading])
  const nav = useRef<HTMLElement>(null)
  // Of a long tune only the strips in view are made.
  // eslint-disable-next-line react-hooks/incompatible-library -- nothing here is memoized by a compiler
  const strips = useVirtualizer({
    count: lines.length,
    getScrollElement: () => nav.current,
    estimateSize: () => STRIP_PX,
    overscan: 4,
  })
  useEffect(() => strips.scrollToIndex(line, { align: 'auto' }), [strips, line])
  return (
    <nav ref={nav} aria-label="Lines of the tune" className="min-h-0 flex-1 overflow-y-auto py-4 pr-1 pl-3">
      <div className="relative" style={{ height: strips.getTotalSize() }}>
        {strips.getVirtualItems().map(({ index, start }) => {
          const strip = lines[index]
          return (
            strip && (
              <div key={index} className="absolute inset-x-0" style={{ top: start }}>
                <LineStrip line={strip} order={index} current={index === line} onGo={onGo} />
              </div>
            )
          )
        })}
      </div>
    </nav>
  )
})

/** All strips, to print. */
export function PrintedLineMap({ reading }: { reading: Reading }) {
  return (
    <div className="flex flex-wrap gap-x-6 gap-y-1">
      {linesOf(reading).map((strip, i) => (
        <div key={strip.cells[0]?.id ?? i} className="w-28">
          <LineStrip line={strip} order={i} current={false} />
        </div>
      ))}
    </div>
  )
}

const LineStrip = memo(function LineStrip({
  line: { letter, first, last, cells },
  order,
  current,
  onGo,
}: {
  line: MapLine
  order: number
  current: boolean
  onGo?: (line: number) => void
}) {
  const marks = [
    cells.some((c) => c.trap) && 'a trap',
    cells.some((c) => c.trouble) && 'a trouble spot',
    cells.some((c) => c.slip) && 'a likely slip',
    cells.some((c) => c.beyond) && 'notes beyond the class',
    cells.some((c) => c.fresh) && 'something new',
  ].filter(Boolean)
  return (
    <button
      type="button"
      aria-current={current ? 'true' : undefined}
      data-line={order + 1}
      onClick={() => onGo?.(order)}
      className={`block w-full border-l-4 py-1 pl-1.5 text-left leading-tight ${current ? 'border-maple bg-maple-pale' : 'border-line-dark hover:bg-maple-pale'}`}
    >
      <span className="flex items-baseline gap-1">
        <span className="font-head text-base font-semibold">
          <span className="sr-only">Line </span>
          {order + 1}
        </span>
        <span className="font-head text-base font-semibold text-maple-dark">{letter}</span>
        <span className="ml-auto pr-1 text-mark text-soft">
          <span className="sr-only">bars </span>
          {first === last ? first : `${first}–${last}`}
        </span>
      </span>
      <svg viewBox={`0 0 ${Math.max(4, cells.length) * 14} 15`} className="h-[15px] w-full max-w-24" aria-hidden="true">
        {cells.map((c, k) => (
          <BarCell key={c.id} cell={c} x={k * 14} />
        ))}
      </svg>
      {marks.length > 0 && <span className="sr-only">with {marks.join(', ')}</span>}
    </button>
  )
})

function BarCell({ cell, x }: { cell: Cell; x: number }) {
  return (
    <g>
      <rect
        x={x + 1}
        y={6}
        width={12}
        height={8}
        rx={1.5}
        className={cell.trap ? 'fill-paper stroke-maple-dark' : 'fill-line-dark'}
        strokeWidth={1.6}
        strokeDasharray={cell.trap ? '2.4 1.6' : undefined}
      />
      {cell.fresh && <circle cx={x + 3.2} cy={3} r={2.4} className="fill-spruce" />}
      {cell.trouble && <path d={`M${x + 3},0 h8 l-4,5 z`} className="fill-brick" />}
      {cell.slip && <path d={`M${x + 3.5},0.6 h7 l-3.5,4.2 z`} className="fill-none stroke-brick" strokeWidth={1} />}
      {cell.beyond ? (
        <text x={x + 7} y={13.4} textAnchor="middle" className="fill-ink text-mark font-bold">
          *
        </text>
      ) : (
        cell.sign && (
          <text x={x + 7} y={13} textAnchor="middle" className="fill-ink text-cell font-bold">
            {cell.sign}
          </text>
        )
      )}
    </g>
  )
}
