import type { TapeDistance } from '../api/client'

const PIECE_MM = 200
const WIDTH_MM = 40

/** A strip true to scale, cut into pieces that fit a page, with a line of 100 mm to check the printer. */
export function TapeStrip({ tapes }: { tapes: readonly TapeDistance[] }) {
  const end = Math.max(...tapes.map((t) => t.millimetres), 0) + 8
  const pieces = Array.from({ length: Math.max(1, Math.ceil(end / PIECE_MM)) }, (_, i) => i * PIECE_MM)
  return (
    <section aria-label="Strip true to scale">
      <h2 className="text-xl">Strip, true to scale</h2>
      <p className="text-sm text-soft">
        Print at 100 percent. The check line must measure exactly 100 mm; if it does not, go by the figures above.
        {pieces.length > 1 && ` Cut out the ${pieces.length} pieces and join them at the marked ends.`}
      </p>
      <svg
        width="104mm"
        height="9mm"
        viewBox="0 0 104 9"
        className="my-2 max-w-full print:max-w-none"
        role="img"
        aria-label="Check line of 100 mm"
      >
        <path data-check-line d="M2 2v5M102 2v5M2 4.5h100" className="stroke-ink" strokeWidth={0.4} fill="none" />
        <text x={52} y={3.6} textAnchor="middle" fontSize={3} className="fill-ink">
          100 mm
        </text>
      </svg>
      <div>
        {pieces.map((from, i) => {
          const length = Math.min(PIECE_MM, end - from)
          return (
            <svg
              key={from}
              data-strip
              width={`${WIDTH_MM}mm`}
              height={`${length + 10}mm`}
              viewBox={`0 -5 ${WIDTH_MM} ${length + 10}`}
              className="mr-[10mm] inline"
              role="img"
              aria-label={`Strip, piece ${i + 1}`}
            >
              <rect x={0.2} y={0} width={11} height={length} fill="none" strokeWidth={0.3} className="stroke-ink" />
              <text x={13} y={from === 0 ? 0.8 : 2.5} fontSize={3.2} className="fill-ink">
                {from === 0 ? 'nut' : `joins at ${from} mm`}
              </text>
              {from === 0 && <path d="M0 0h12" strokeWidth={0.9} className="stroke-ink" />}
              {tapes
                .filter((t) => t.millimetres > from && t.millimetres <= from + length)
                .map((t) => (
                  <g key={t.tape.semitones} data-mm={t.millimetres}>
                    <path d={`M0 ${t.millimetres - from}h12`} strokeWidth={0.6} className="stroke-maple-dark" />
                    <text x={13} y={t.millimetres - from + 1.1} fontSize={3.2} className="fill-ink">
                      {t.tape.name}, {t.millimetres.toFixed(1)}
                    </text>
                  </g>
                ))}
            </svg>
          )
        })}
      </div>
    </section>
  )
}
