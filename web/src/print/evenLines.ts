import type { Breaks } from '../engraving/room'

type Systems = readonly (readonly string[])[]

/** So many bars a page's last line has at least. */
const LEAST = 2

/**
 * Where lines break so that no page ends on a line of one bar: such a bar shares the bars of the line before it. Null
 * where the pages are right as they are, or no line has a bar to give.
 */
export function evenLines(pages: readonly { systems: Systems }[]): Breaks | null {
  const lines = pages.flatMap(({ systems }) => systems.map((s) => [...s]))
  const ends = new Set<number>()
  let count = 0
  for (const { systems } of pages) ends.add((count += systems.length) - 1)
  let moved = false
  // From the end: what a line gives away it may get from the one before.
  for (let i = lines.length - 1; i > 0; i--) {
    const [before, line] = [lines[i - 1], lines[i]]
    if (!before || !line || !ends.has(i) || line.length >= LEAST) continue
    // A line that ends a page itself keeps enough.
    const give = Math.min(
      Math.max(LEAST - line.length, Math.floor((before.length - line.length) / 2)),
      before.length - (ends.has(i - 1) ? LEAST : 1),
    )
    if (give < 1) continue
    line.unshift(...before.splice(before.length - give))
    moved = true
  }
  if (!moved) return null
  const first = (of: readonly string[] | undefined) => of?.[0] ?? ''
  let at = 0
  const starts = pages.map(({ systems }) => first(lines[(at += systems.length) - systems.length]))
  return { lines: new Set(lines.slice(1).map(first)), pages: new Set(starts.slice(1)) }
}
