import type { ReadingNote } from '../api/client'

/**
 * The direction; where a repeat comes back the other way round, both at the first stroke of a bar, the second in
 * brackets.
 */
export function BowMarks({ note, both, x, y }: { note: ReadingNote; both: boolean; x: number; y: number }) {
  if (!note.bowAgain || !both) return <BowMark up={note.bow === 'up'} x={x} y={y} />
  return (
    <g data-bow-again={note.bowAgain}>
      <BowMark up={note.bow === 'up'} x={x - 8} y={y} />
      <text x={x + 8} y={y} textAnchor="middle" dominantBaseline="central" className="fill-soft text-said">
        ({'\u2002'})
      </text>
      <g transform={`translate(${x + 8} ${y}) scale(0.62)`}>
        <BowMark up={note.bowAgain === 'up'} x={0} y={0} />
      </g>
    </g>
  )
}

/** Down bow: a square open below; up bow: a point. Drawn, so that no music font is needed. */
export function BowMark({ up, x, y }: { up: boolean; x: number; y: number }) {
  const path = up
    ? `M${x - 4.5},${y - 6.5} L${x},${y + 6.5} L${x + 4.5},${y - 6.5}`
    : `M${x - 5.5},${y + 5} V${y - 5} H${x + 5.5} V${y + 5}`
  return <path d={path} fill="none" strokeWidth={up ? 1.8 : 2.2} className="stroke-ink" data-bow={up ? 'up' : 'down'} />
}
