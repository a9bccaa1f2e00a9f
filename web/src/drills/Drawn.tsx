import { useCallback, useMemo, useRef, useState, type ReactNode } from 'react'
import type { QuestionMusic } from '../api/client'
import type { Layout, RowId } from '../engraving/layout'
import { type PieceOf, QuestionNotes, usePieces } from '../exercises'
import { useWidth } from '../ui/useWidth'
import { Refused } from '../ui/Said'
import { useSmall } from '../ui/useSmall'

/** Larger than on paper: one aims at its lines and spaces. */
const STAFF_MM = { little: 12, usual: 17, large: 26 }
const SMALL_STAFF_MM = 12

/** What lies over the picture: its geometry in pixels of the picture. */
export type Picture = { layout: Layout; width: number; height: number }

const sizeOf = (svg: string, side: string) =>
  Number.parseFloat(new RegExp(`<svg[^>]*?\\s${side}="([\\d.]+)`).exec(svg)?.[1] ?? '0')

/** The music of a question, as large as there is room; what is laid over it moves and shrinks with it. */
export function Drawn({
  music,
  label,
  rows = NO_ROWS,
  shown = NO_ROWS,
  solved,
  gap = false,
  inBars = false,
  size = 'usual',
  same,
  onPick,
  children,
}: {
  music: QuestionMusic
  /** For who cannot see it. */
  label: string
  rows?: readonly RowId[]
  shown?: readonly RowId[]
  solved: boolean
  gap?: boolean
  /** Several bars: on a small window they go on in the next line. */
  inBars?: boolean
  /** Little where there is a fingerboard below it, large where one writes by hand. */
  size?: keyof typeof STAFF_MM
  same?: readonly string[]
  onPick?: (id: string) => void
  children?: (picture: Picture) => ReactNode
}) {
  const place = useRef<HTMLDivElement>(null)
  const room = useWidth(place)
  const small = useSmall()
  const staffMm = small && size !== 'large' ? SMALL_STAFF_MM : STAFF_MM[size]
  const pieces = useMemo<PieceOf[]>(
    () => (room ? [{ music, rows, widthPx: inBars && small ? room : null }] : []),
    [music, rows, inBars, small, room],
  )
  const { pictures, error } = usePieces(pieces, staffMm)
  const picture = pictures[0]
  const [layout, setLayout] = useState<Layout | null>(null)
  const measured = useCallback((now: Layout) => setLayout(now), [])
  const [width, height] = picture ? [sizeOf(picture, 'width'), sizeOf(picture, 'height')] : [0, 0]
  return (
    <div
      className={`grid place-items-center bg-white px-4 shadow-sm ${size === 'little' ? 'min-h-24 py-1' : 'min-h-58 py-6 max-md:min-h-46'}`}
      aria-busy={!picture}
    >
      <div ref={place} className="w-full" />
      {error && <Refused>{error}</Refused>}
      {picture && (
        <div className="relative w-fit" style={{ zoom: width > room ? room / width : 1 }}>
          <div role="img" aria-label={label}>
            <QuestionNotes
              music={music}
              picture={picture}
              rows={rows}
              shown={shown}
              staffMm={staffMm}
              solved={solved}
              gap={gap}
              {...(same && { same })}
              onPick={onPick}
              onLayout={measured}
            />
          </div>
          {layout && children?.({ layout, width, height })}
        </div>
      )}
    </div>
  )
}
const NO_ROWS: readonly RowId[] = []
