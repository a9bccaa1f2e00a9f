import type { Engravable, Fresh, Reading } from '../api/client'
import { barsOfNotes, byBar } from './bars'

/**
 * A page of engraved music: its picture, how high that is in CSS pixels, and its bars by id, all of them and by
 * systems.
 */
export type Page = {
  svg: string
  height: number
  bars: readonly string[]
  systems: readonly (readonly string[])[]
}

const HEIGHT = /<svg[^>]* height="([\d.]+)px"/
const SYSTEM_OR_BAR = /<g id="([^"]+)" class="(system|measure)\b/g

/** Reads from the engraver's picture what lies on it, so that a page can be left undrawn until it is looked at. */
export function pageOf(svg: string): Page {
  const systems: string[][] = []
  for (const [, id = '', kind] of svg.matchAll(SYSTEM_OR_BAR))
    if (kind === 'system') systems.push([])
    else systems.at(-1)?.push(id)
  return { svg, height: Number(HEIGHT.exec(svg)?.[1] ?? 0), bars: systems.flat(), systems }
}

/** Where the new things first come, each note once. */
function freshIn(news: Reading['news']): Fresh[] {
  const names = new Map<string, string>()
  for (const { noteIds, name } of news?.things ?? []) {
    const id = noteIds[0]
    if (id !== undefined) names.set(id, [names.get(id), name].filter(Boolean).join('; '))
  }
  return [...names].map(([id, name]) => ({ id, name }))
}

/** A reading cut at the barlines, so that what a page shows is found without going through the whole tune. */
export class BarByBar {
  private readonly orderOf: ReadonlyMap<string, number>
  private readonly barOf: ReadonlyMap<string, number>
  private readonly bars: readonly Required<Omit<Engravable, 'sections' | 'staves'>>[]
  private readonly all: Pick<Engravable, 'sections' | 'staves'>

  /** @param all What holds for every page: the sections that read it. */
  constructor(reading: Reading, all: Pick<Engravable, 'sections' | 'staves'> = {}) {
    this.all = all
    this.orderOf = new Map(reading.bars.map((bar, i) => [bar.id, i]))
    this.barOf = barsOfNotes(reading)
    const where = { barOf: this.barOf, count: reading.bars.length }
    const notes = byBar(reading.notes, (n) => [n.id], where)
    const counts = byBar(reading.counts, (c) => [c.eventId], where)
    const trouble = byBar(reading.trouble, (t) => [t.noteId], where)
    const fresh = byBar(freshIn(reading.news), (f) => [f.id], where)
    const travels = byBar(reading.travels, (t) => [t.noteId, t.lastId], where)
    this.bars = reading.bars.map((bar, i) => ({
      bars: [bar],
      notes: notes[i] ?? [],
      counts: counts[i] ?? [],
      trouble: trouble[i] ?? [],
      travels: travels[i] ?? [],
      fresh: fresh[i] ?? [],
    }))
  }

  /** What of the reading is drawn on a page. A stroke that goes over to the next page is on both. */
  on(page: Page): Engravable {
    const bars = page.bars.flatMap((id) => this.bars[this.orderOf.get(id) ?? -1] ?? [])
    return {
      ...this.all,
      bars: bars.flatMap((b) => b.bars),
      notes: bars.flatMap((b) => b.notes),
      counts: bars.flatMap((b) => b.counts),
      trouble: bars.flatMap((b) => b.trouble),
      travels: [...new Set(bars.flatMap((b) => b.travels))],
      fresh: bars.flatMap((b) => b.fresh),
    }
  }

  /** The page, by its order, that a note, rest or grace note is on; -1 where it is not engraved yet. */
  pageWith(id: string, pages: readonly Page[]): number {
    const bar = this.bars[this.barOf.get(id) ?? -1]?.bars[0]?.id
    return bar === undefined ? -1 : pages.findIndex((page) => page.bars.includes(bar))
  }
}
