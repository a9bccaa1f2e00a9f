/** A note value drawn small: head, stem, flags and dot; of a length in parts of a whole note, 3/8. */
export function ValueSign({ value }: { value: string }) {
  const [above = 1, below = 1] = value.split('/').map(Number)
  const dotted = above === 3
  const plain = dotted ? (2 * below) / 4 : below / above
  const flags = Math.max(0, Math.round(Math.log2(plain)) - 2)
  const hollow = plain < 4
  return (
    <svg viewBox="0 0 26 34" className="h-9 w-7" aria-hidden="true">
      <ellipse
        cx={9}
        cy={27}
        rx={6}
        ry={4.2}
        transform="rotate(-20 9 27)"
        fill={hollow ? 'none' : 'currentColor'}
        stroke="currentColor"
        strokeWidth={hollow ? 2 : 0}
      />
      {plain > 1 && <line x1={14.4} x2={14.4} y1={25} y2={3} stroke="currentColor" strokeWidth={1.7} />}
      {Array.from({ length: flags }, (_, i) => (
        <path key={i} d={`M14.4,${3 + 6 * i} q1,5 7,8`} fill="none" stroke="currentColor" strokeWidth={2.2} />
      ))}
      {dotted && <circle cx={20} cy={27} r={2} fill="currentColor" />}
    </svg>
  )
}
