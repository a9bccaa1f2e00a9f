import type { Reading, Trouble } from '../api/client'

type Indexed = Pick<Reading, 'notes' | 'bars' | 'events' | 'counts' | 'trouble' | 'form'>

/** Where things of a reading are found, so that a step from note to note costs the same in a long tune as in a short one. */
export type TuneIndex = {
  /** Order of each sounding note. */
  order: ReadonlyMap<string, number>
  /** Order of the bar of each note, rest and grace note. */
  barOf: ReadonlyMap<string, number>
  /** Order of the line of each bar. */
  lineOf: readonly number[]
  /** The printed notes and rests of each bar, and what is counted in it. */
  events: readonly Reading['events'][]
  counts: readonly Reading['counts'][]
  trouble: ReadonlyMap<string, Trouble>
}

export function tuneIndex({ notes, bars, events, counts, trouble, form }: Indexed): TuneIndex {
  const barOf = new Map(bars.flatMap((bar, i) => bar.eventIds.map((id) => [id, i] as const)))
  // A grace note stands before its note and is no event of its own.
  let bar = bars.length - 1
  for (const note of notes.toReversed()) {
    bar = barOf.get(note.id) ?? bar
    barOf.set(note.id, bar)
  }
  const lineOf = bars.map(() => 0)
  form.lines.forEach((line, i) => lineOf.fill(i, line.firstBar, line.endBar))
  const byBar = <T>(things: readonly T[], idOf: (thing: T) => string) => {
    const lists: T[][] = bars.map(() => [])
    for (const thing of things) lists[barOf.get(idOf(thing)) ?? -1]?.push(thing)
    return lists
  }
  return {
    order: new Map(notes.map((n, i) => [n.id, i])),
    barOf,
    lineOf,
    events: byBar(events, (e) => e.id),
    counts: byBar(counts, (c) => c.eventId),
    trouble: new Map(trouble.map((t) => [t.noteId, t])),
  }
}
