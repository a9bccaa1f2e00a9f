import { memo, useCallback, useMemo, useRef } from 'react'
import type { Engravable, Reading } from '../api/client'
import { EngravedPage } from './EngravedPage'
import type { RowId } from './layout'
import { partsOf, placesOf } from './pages'
import type { Engraving } from './useEngraving'
import { useNear } from './useNear'

const NONE: readonly string[] = []

/** All pages of a tune one below the other. Only those near the view are drawn, and the one that one stands on. */
export function TunePages({
  engraving,
  reading,
  rows,
  now,
  same,
  onPick,
}: {
  engraving: Engraving
  reading: Reading
  rows: readonly RowId[]
  /** The note that one stands on, with those tied to it. */
  now: readonly string[]
  /** Notes to ring. */
  same: readonly string[]
  /** Gets the sounding note that was pointed at. */
  onPick: (noteId: string) => void
}) {
  const host = useRef<HTMLDivElement>(null)
  const near = useNear(host, engraving.count)
  const { pages } = engraving
  const places = useMemo(() => placesOf(pages, reading), [pages, reading])
  const parts = useMemo(() => partsOf(places, reading), [places, reading])
  const owner = useMemo(
    () => new Map(reading.notes.flatMap((n) => [n.id, ...n.tiedIds].map((id) => [id, n.id]))),
    [reading],
  )
  const pick = useCallback(
    (id: string) => {
      const note = owner.get(id)
      if (note) onPick(note)
    },
    [owner, onPick],
  )
  const pageOf = (ids: readonly string[]) => places.pageOf.get(ids[0] ?? '') ?? -1
  const wanted = [pageOf(now), pageOf(same)]
  return (
    <div ref={host}>
      {Array.from({ length: Math.max(engraving.count, pages.length) }, (_, i) => (
        <TunePage
          key={i}
          page={i}
          svg={pages[i]}
          part={parts[i]}
          height={places.heights[i] ?? places.heights[0]}
          isNear={near.has(i) || wanted.includes(i)}
          rows={rows}
          now={wanted[0] === i ? now : NONE}
          same={same.some((id) => places.pageOf.get(id) === i) ? same : NONE}
          onPick={pick}
        />
      ))}
    </div>
  )
}

/** One page, or the room that it will take; the room is kept while it is drawn, or what one looks at would slip away. */
const TunePage = memo(function TunePage({
  page,
  svg,
  part,
  height,
  isNear,
  ...shown
}: {
  page: number
  svg: string | undefined
  part: Engravable | undefined
  height: number | undefined
  isNear: boolean
  rows: readonly RowId[]
  now: readonly string[]
  same: readonly string[]
  onPick: (id: string) => void
}) {
  const drawn = isNear && svg !== undefined && part !== undefined
  return (
    <div data-page={page} className="isolate" style={{ minHeight: height }}>
      {drawn && <EngravedPage svg={svg} reading={part} {...shown} />}
    </div>
  )
})
