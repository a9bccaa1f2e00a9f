import type { Instrument } from '../api/client'

/** The nut reaches a little over the board’s edges; what a tape is called stands left of it. */
const NUT_OVER = 2
const NAME_GAP = 8

/** Board, nut and tapes of a drawn fingerboard, to put strings and spots on. */
export function Wood({
  left,
  right,
  nutY,
  length,
  tapes,
  y,
}: {
  /** The board’s edges. */
  left: number
  right: number
  nutY: number
  length: number
  tapes: Instrument['tapes']
  /** Where a place lies, by half steps above the open string. */
  y: (semitones: number) => number
}) {
  const width = right - left
  return (
    <>
      <rect x={left} y={nutY} width={width} height={length} className="fill-ebony" />
      <rect
        x={left - NUT_OVER}
        y={nutY - 5}
        width={width + 2 * NUT_OVER}
        height={6}
        rx={1}
        className="fill-line-dark"
      />
      {tapes.map((tape) => (
        <g key={tape.semitones}>
          <rect x={left} y={y(tape.semitones) - 2} width={width} height={4} className="fill-maple" />
          <text
            x={left - NAME_GAP}
            y={y(tape.semitones)}
            textAnchor="end"
            dominantBaseline="central"
            className="fill-soft text-fine"
          >
            {tape.name}
          </text>
        </g>
      ))}
    </>
  )
}
