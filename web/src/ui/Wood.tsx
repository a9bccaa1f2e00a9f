import type { Instrument } from '../api/client'

/** The nut reaches a little over the board’s edges; what a tape is called stands left of it. */
const NUT_OVER = 2
const NAME_GAP = 8

/**
 * What a tape is called is set as large as the room at the left allows, and cut where even small letters are too many.
 */
const NAME_PX = { usual: 14, least: 11, letter: 0.53 }
const nameSize = (name: string, roomPx: number) =>
  Math.min(NAME_PX.usual, Math.max(NAME_PX.least, roomPx / (name.length * NAME_PX.letter)))
const shortened = (name: string, roomPx: number) => {
  const most = Math.floor(roomPx / (NAME_PX.least * NAME_PX.letter))
  return name.length <= most ? name : `${name.slice(0, most - 1)}…`
}

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
            className="fill-soft"
            fontSize={nameSize(tape.name, left - NAME_GAP)}
          >
            {shortened(tape.name, left - NAME_GAP)}
            {tape.name.length > 8 && <title>{tape.name}</title>}
          </text>
        </g>
      ))}
    </>
  )
}
