import type { Reading, Trouble } from '../api/client'
import { barsOfNotes, byBar } from '../engraving/bars'

type Indexed = Pick<Reading, 'notes' | 'bars' | 'events' | 'counts' | 'trouble' | 'form'>

/**
 * Where things of a reading are found, so that a step from note to note costs the same in a long tune as in a short
 * one.
 */
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
  const barOf = barsOfNotes({ bars, notes })
  const where = { barOf, count: bars.length }
  const lineOf = bars.map(() => 0)
  form.lines.forEach((line, i) => lineOf.fill(i, line.firstBar, line.endBar))
  return {
    order: new Map(notes.map((n, i) => [n.id, i])),
    barOf,
    lineOf,
    events: byBar(events, (e) => [e.id], where),
    counts: byBar(counts, (c) => [c.eventId], where),
    trouble: new Map(trouble.map((t) => [t.noteId, t])),
  }
}
