import type { Reading } from '../api/client'

/** Order of the bar of each note, rest and grace note. */
export function barsOfNotes({ bars, notes }: Pick<Reading, 'bars' | 'notes'>): ReadonlyMap<string, number> {
  const barOf = new Map(bars.flatMap((bar, i) => bar.eventIds.map((id) => [id, i] as const)))
  // A grace note stands before its note and is no event of its own.
  let bar = bars.length - 1
  for (const note of notes.toReversed()) {
    bar = barOf.get(note.id) ?? bar
    barOf.set(note.id, bar)
  }
  return barOf
}

/** Things of a reading, bar by bar; a thing that goes over a barline stands in both bars. */
export function byBar<T>(
  things: readonly T[],
  idsOf: (thing: T) => readonly string[],
  { barOf, count }: { barOf: ReadonlyMap<string, number>; count: number },
): readonly T[][] {
  const lists = Array.from({ length: count }, (): T[] => [])
  for (const thing of things)
    for (const bar of new Set(idsOf(thing).map((id) => barOf.get(id) ?? -1))) lists[bar]?.push(thing)
  return lists
}
