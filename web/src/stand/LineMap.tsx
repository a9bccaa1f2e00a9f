import type { Reading } from '../api/client'

/** How a bar is like an earlier one, as a small sign in its cell. */
const SIGNS: Record<string, string> = {
  octave: '8',
  sequence: '≈',
  otherRhythm: '♪',
  upsideDown: '⇅',
  rhythmTurned: '↔',
}

/** One strip a line of music: its letter, a cell a bar, marks for traps, trouble and what is beyond the class. Click to go there. */
export function LineMap({
  reading,
  line,
  onGo,
  printed = false,
}: {
  reading: Reading
  line: number
  onGo?: (line: number) => void
  printed?: boolean
}) {
  const { form, bars } = reading
  const traps = new Set(form.traps.map((t) => t.bar))
  const trouble = new Set(reading.trouble.filter((t) => !t.isSlip).map((t) => t.bar))
  const slips = new Set(reading.trouble.filter((t) => t.isSlip).map((t) => t.bar))
  const likeness = new Map(form.likenesses.filter((l) => l.kind !== 'sameRhythm').map((l) => [l.bar, SIGNS[l.kind]]))
  const barOf = new Map(bars.flatMap((b, i) => b.eventIds.map((id) => [id, i] as const)))
  const beyond = new Set(reading.notes.filter((n) => n.beyond).map((n) => barOf.get(n.id)))
  return (
    <nav
      aria-label="Lines of the tune"
      className={printed ? 'flex flex-wrap gap-x-6 gap-y-1' : 'flex flex-col gap-1 overflow-y-auto py-4 pl-3 pr-1'}
    >
      {form.lines.map((l, i) => {
        const cells = bars.slice(l.firstBar, l.endBar).map((b, k) => ({ ...b, order: l.firstBar + k }))
        const first = Math.max(1, cells[0]?.number ?? 1)
        const last = cells.at(-1)?.number ?? first
        const marks = [
          cells.some((c) => traps.has(c.order)) && 'a trap',
          cells.some((c) => trouble.has(c.order)) && 'a trouble spot',
          cells.some((c) => slips.has(c.order)) && 'a likely slip',
          cells.some((c) => beyond.has(c.order)) && 'notes beyond the class',
        ].filter(Boolean)
        return (
          <button
            key={l.firstBar}
            type="button"
            aria-current={!printed && i === line ? 'true' : undefined}
            data-line={i + 1}
            onClick={() => onGo?.(i)}
            className={`border-l-4 py-1 pl-1.5 text-left leading-tight ${!printed && i === line ? 'border-maple bg-maple-pale' : 'border-line-dark hover:bg-maple-pale'}`}
          >
            <span className="flex items-baseline gap-1">
              <span className="font-head text-base font-semibold">
                <span className="sr-only">Line </span>
                {i + 1}
              </span>
              <span className="font-head text-base font-semibold text-maple-dark">{l.letter}</span>
              <span className="ml-auto pr-1 text-[11px] text-soft">
                <span className="sr-only">bars </span>
                {first === last ? first : `${first}–${last}`}
              </span>
            </span>
            <svg
              viewBox={`0 0 ${Math.max(4, cells.length) * 14} 15`}
              className="h-[15px] w-full max-w-24"
              aria-hidden="true"
            >
              {cells.map((c, k) => (
                <g key={c.id}>
                  <rect
                    x={k * 14 + 1}
                    y={6}
                    width={12}
                    height={8}
                    rx={1.5}
                    className={traps.has(c.order) ? 'fill-paper stroke-maple-dark' : 'fill-line-dark'}
                    strokeWidth={1.6}
                    strokeDasharray={traps.has(c.order) ? '2.4 1.6' : undefined}
                  />
                  {trouble.has(c.order) && <path d={`M${k * 14 + 3},0 h8 l-4,5 z`} className="fill-brick" />}
                  {slips.has(c.order) && (
                    <path
                      d={`M${k * 14 + 3.5},0.6 h7 l-3.5,4.2 z`}
                      className="fill-none stroke-brick"
                      strokeWidth={1}
                    />
                  )}
                  {!beyond.has(c.order) && likeness.get(c.order) && (
                    <text x={k * 14 + 7} y={13} textAnchor="middle" className="fill-ink text-[8px] font-bold">
                      {likeness.get(c.order)}
                    </text>
                  )}
                  {beyond.has(c.order) && (
                    <text x={k * 14 + 7} y={13.4} textAnchor="middle" className="fill-ink text-[11px] font-bold">
                      *
                    </text>
                  )}
                </g>
              ))}
            </svg>
            {marks.length > 0 && <span className="sr-only">with {marks.join(', ')}</span>}
          </button>
        )
      })}
    </nav>
  )
}
