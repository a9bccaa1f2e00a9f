/** Width of a spot: a circle, or as long as a sign in words needs ("high 3"). */
export const spotWidth = (sign: string, radius: number, sizePx: number, airPx = 10) =>
  sign.length > 2 ? Math.max(2 * radius, sign.length * sizePx * 0.56 + airPx) : 2 * radius

/** A place on a fingerboard with its finger. */
export function Spot({
  x,
  y,
  radius,
  sign,
  sizePx,
  airPx,
  className,
  ink,
}: {
  x: number
  y: number
  radius: number
  sign: string
  sizePx: number
  /** Before and after a sign in words, together. */
  airPx?: number
  /** Fill and outline. */
  className: string
  /** How the sign is written. */
  ink: string
}) {
  const width = spotWidth(sign, radius, sizePx, airPx)
  return (
    <>
      <rect
        x={x - width / 2}
        y={y - radius}
        width={width}
        height={2 * radius}
        rx={radius}
        className={className}
        strokeWidth={1.6}
      />
      <text x={x} y={y} textAnchor="middle" dominantBaseline="central" fontSize={sizePx} className={ink}>
        {sign}
      </text>
    </>
  )
}
