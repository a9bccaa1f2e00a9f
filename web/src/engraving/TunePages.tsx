import { defaultRangeExtractor, useVirtualizer, type Range } from '@tanstack/react-virtual'
import { memo, useCallback, useLayoutEffect, useMemo, useRef } from 'react'
import type { Engravable, Reading } from '../api/client'
import { EngravedPage } from './EngravedPage'
import type { RowId } from './layout'
import { BarByBar, type Page } from './pages'
import type { Engraving } from './useEngraving'

const NONE: readonly string[] = []

/**
 * So many pages beyond the view are drawn already. The heading above the pages, less than a page, is left out of
 * account.
 */
const AHEAD = 1

/** All pages of a tune one below the other. Only those near the view are drawn, and the one that one stands on. */
export function TunePages({
  engraving,
  reading,
  rows,
  fit,
  now,
  same,
  onPick,
  all,
}: {
  engraving: Engraving
  reading: Reading
  /** The sections that read it, where they are several. */
  all?: Pick<Engravable, 'sections' | 'staves'>
  rows: readonly RowId[]
  /** How much smaller than engraved they are shown, 1 for not at all. */
  fit: number
  /** The note that one stands on, with those tied to it. */
  now: readonly string[]
  /** Notes to ring. */
  same: readonly string[]
  /** Gets the sounding note that was pointed at. */
  onPick: (noteId: string) => void
}) {
  const host = useRef<HTMLDivElement>(null)
  const { pages } = engraving
  const cut = useMemo(() => new BarByBar(reading, all), [reading, all])
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
  const nowOn = cut.pageWith(now[0] ?? '', pages)
  const sameOn = [...new Set(same.map((id) => cut.pageWith(id, pages)))]
  const looked = [nowOn, sameOn[0] ?? -1].filter((page) => page >= 0)
  // eslint-disable-next-line react-hooks/incompatible-library -- nothing here is memoized by a compiler
  const near = useVirtualizer({
    count: Math.max(engraving.count, pages.length),
    getScrollElement: () => host.current?.closest<HTMLElement>('.paper-scroll') ?? null,
    estimateSize: (i) => ((pages[i] ?? pages[0])?.height ?? 0) * fit,
    rangeExtractor: (range: Range) => [...new Set([...looked, ...defaultRangeExtractor(range)])],
    overscan: AHEAD,
  })
  useLayoutEffect(() => near.measure(), [near, pages, fit])
  return (
    <div ref={host} className="relative" style={{ height: near.getTotalSize() }}>
      {near.getVirtualItems().map(({ index, start }) => {
        const page = pages[index]
        return (
          page && (
            <div key={index} data-page={index} className="absolute inset-x-0 isolate" style={{ top: start }}>
              <div style={{ zoom: fit }}>
                <TunePage
                  page={page}
                  cut={cut}
                  rows={rows}
                  now={nowOn === index ? now : NONE}
                  same={sameOn.includes(index) ? same : NONE}
                  onPick={pick}
                />
              </div>
            </div>
          )
        )
      })}
    </div>
  )
}

const TunePage = memo(function TunePage({
  page,
  cut,
  ...shown
}: {
  page: Page
  cut: BarByBar
  rows: readonly RowId[]
  now: readonly string[]
  same: readonly string[]
  onPick: (id: string) => void
}) {
  const part = useMemo(() => cut.on(page), [cut, page])
  return <EngravedPage svg={page.svg} reading={part} {...shown} />
})
