import { defaultRangeExtractor, useVirtualizer } from '@tanstack/react-virtual'
import { memo, useImperativeHandle, useLayoutEffect, useRef, useState, type ReactNode, type Ref } from 'react'
import type { TuneSummary } from '../api/client'
import { TUNE_PAGE, useTunePages, type TuneChoice } from './queries'

/** What a row is high before it is measured. */
const USUAL_HEIGHT = 61

const isScrolled = (e: Element) => /auto|scroll/.test(getComputedStyle(e).overflowY)

/** What scrolls the rows: the list itself, or on a narrow screen the whole of it. */
const scrollerOf = (list: HTMLElement) => {
  let e: HTMLElement | null = list
  while (e && !isScrolled(e)) e = e.parentElement
  return e
}

/**
 * The rows that are in view and a few around them, however long the list is; their pages are asked for as they come
 * near.
 */
export const TuneRows = memo(function TuneRows({
  choice,
  first,
  total,
  children,
  ref,
}: {
  choice: TuneChoice
  /** Those of the first page. */
  first: readonly TuneSummary[]
  total: number
  children: (tune: TuneSummary) => ReactNode
  ref: Ref<HTMLDivElement>
}) {
  const list = useRef<HTMLDivElement>(null)
  useImperativeHandle(ref, () => list.current as HTMLDivElement)
  const [scroller, setScroller] = useState<HTMLElement | null>(null)
  const [above, setAbove] = useState(0)
  const focused = useRef(-1)
  useLayoutEffect(() => {
    const element = list.current
    if (!element) return
    const look = () => {
      const found = scrollerOf(element)
      setScroller(found)
      setAbove(
        found && found !== element
          ? element.getBoundingClientRect().top - found.getBoundingClientRect().top + found.scrollTop
          : 0,
      )
    }
    look()
    window.addEventListener('resize', look)
    return () => window.removeEventListener('resize', look)
  }, [])
  const rows = useVirtualizer({
    count: total,
    getScrollElement: () => scroller,
    estimateSize: () => USUAL_HEIGHT,
    overscan: 12,
    scrollMargin: above,
    // The row that has the focus keeps it, wherever the list is scrolled to.
    rangeExtractor: (range) => {
      const shown = defaultRangeExtractor(range)
      return focused.current < 0 || focused.current >= total || shown.includes(focused.current)
        ? shown
        : [...shown, focused.current].sort((a, b) => a - b)
    },
  })
  const drawn = rows.getVirtualItems()
  const pages = useTunePages(choice, [
    ...new Set(drawn.map((row) => Math.floor(row.index / TUNE_PAGE)).filter((page) => page > 0)),
  ])
  const tuneAt = (index: number) => {
    const page = Math.floor(index / TUNE_PAGE)
    return (page === 0 ? first : pages.get(page))?.[index % TUNE_PAGE]
  }
  return (
    <div ref={list} className="flex-1 pb-4 md:pr-2 lg:min-h-0 lg:overflow-y-auto">
      <ul aria-label="Tunes" className="relative" style={{ height: rows.getTotalSize() }}>
        {drawn.map((row) => {
          const tune = tuneAt(row.index)
          return (
            <li
              // By its place: another search changes what the rows say and makes none anew.
              key={row.index}
              ref={rows.measureElement}
              data-index={row.index}
              aria-setsize={total}
              aria-posinset={row.index + 1}
              onFocus={() => (focused.current = row.index)}
              onBlur={() => (focused.current = -1)}
              className="absolute inset-x-0 top-0 border-b border-line"
              style={{ transform: `translateY(${row.start - above}px)` }}
            >
              {tune ? children(tune) : <p className="py-5 text-sm text-soft">…</p>}
            </li>
          )
        })}
      </ul>
    </div>
  )
})
