import type { Engravable, Reading } from '../api/client'

/** What lies on which page: the heights of the pages in CSS pixels, and the page of every note, rest and grace note. */
export type Places = { heights: number[]; bars: string[][]; pageOf: ReadonlyMap<string, number> }

const HEIGHT = /<svg[^>]* height="([\d.]+)px"/
const BAR = /<g id="([^"]+)" class="measure/g

/** Reads from the engraver's pictures what lies where, so that a page can be left undrawn until it is looked at. */
export function placesOf(pages: readonly string[], reading: Pick<Reading, 'bars' | 'notes'>): Places {
  const heights = pages.map((svg) => Number(HEIGHT.exec(svg)?.[1] ?? 0))
  const bars = pages.map((svg) => [...svg.matchAll(BAR)].map((m) => m[1] ?? ''))
  const pageOfBar = new Map(bars.flatMap((ids, page) => ids.map((id) => [id, page])))
  const pageOf = new Map<string, number>()
  for (const bar of reading.bars) {
    const page = pageOfBar.get(bar.id)
    if (page === undefined) continue
    for (const id of bar.eventIds) pageOf.set(id, page)
  }
  // A grace note stands before its note and is no event of its own.
  let page: number | undefined
  for (const note of reading.notes.toReversed()) {
    page = pageOf.get(note.id) ?? page
    if (page !== undefined && !pageOf.has(note.id)) pageOf.set(note.id, page)
  }
  return { heights, bars, pageOf }
}

/** What of a reading is drawn on each page. */
export function partsOf({ bars, pageOf }: Places, reading: Reading): Engravable[] {
  const parts = bars.map(() => ({
    bars: [] as Reading['bars'],
    notes: [] as Reading['notes'],
    counts: [] as Reading['counts'],
    travels: [] as Reading['travels'],
    trouble: [] as Reading['trouble'],
  }))
  const at = (id: string) => parts[pageOf.get(id) ?? -1]
  for (const bar of reading.bars) at(bar.eventIds[0] ?? '')?.bars.push(bar)
  for (const note of reading.notes) at(note.id)?.notes.push(note)
  for (const count of reading.counts) at(count.eventId)?.counts.push(count)
  for (const spot of reading.trouble) at(spot.noteId)?.trouble.push(spot)
  for (const travel of reading.travels)
    for (const part of new Set([at(travel.noteId), at(travel.lastId)])) part?.travels.push(travel)
  return parts
}
