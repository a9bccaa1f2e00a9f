import type { Reading } from '../api/client'
import type { TimeEntry } from '../engraving/engraver'

/** A note as it sounds in playing order; one without a key number is told and not heard. */
export type Played = { noteId: string; at: number; length: number; midi: number | null; plucked: boolean }

/** A beat of a bar; one of a count-in is clicked whether or not the others are. */
export type Beat = { at: number; strong: boolean; countsIn?: boolean }

export type Schedule = {
  notes: Played[]
  beats: Beat[]
  bars: PlayedBar[]
  end: number
}

/**
 * A bar as it is played: where its first note sounds, where the full bar would begin, how long that is, and its beat.
 */
export type PlayedBar = { at: number; begins: number; length: number; beat: number }

/** Less than any note value: what is nearer is the same moment. */
const MOMENT = 0.001

/** A repeated note or bar bears the id of the printed one and the number of the time. */
const printed = (id: string) => id.replace(/-rend\d+$/, '')

/** What begins in a printed bar, in quarters from its beginning, and how long the bar lasts. */
type BarTimes = { length: number; on: { id: string; at: number }[] }

/**
 * Each printed bar as it sounds the first time; the order of playing is the reading's, which knows more of it than the
 * engraver.
 */
function barTimes(map: readonly TimeEntry[]): Map<string, BarTimes> {
  const bars = new Map<string, BarTimes>()
  const end = map.at(-1)?.qstamp ?? 0
  let now: (BarTimes & { at: number }) | null = null
  for (const entry of map) {
    if (entry.measureOn) {
      if (now) now.length = entry.qstamp - now.at
      now = bars.has(printed(entry.measureOn)) ? null : { at: entry.qstamp, length: end - entry.qstamp, on: [] }
      if (now) bars.set(entry.measureOn, now)
    }
    for (const id of entry.on ?? []) now?.on.push({ id, at: entry.qstamp - now.at })
  }
  return bars
}

/** What sounds when, from the engraver's time map, the reading's pitches and its order of playing. */
export function scheduleOf(map: readonly TimeEntry[], reading: Reading): Schedule {
  const notes = new Map(reading.notes.map((n) => [n.id, n]))
  const begins = new Map(map.flatMap((e) => (e.on ?? []).map((id) => [id, e.qstamp] as const)))
  const ends = new Map(map.flatMap((e) => (e.off ?? []).map((id) => [id, e.qstamp] as const)))
  const times = barTimes(map)
  const played: Played[] = []
  const bars: PlayedBar[] = []
  const beats: Beat[] = []
  let end = 0
  for (const order of reading.order) {
    const printed = reading.bars[order]
    const bar = printed && times.get(printed.id)
    if (!bar) continue
    const here = { at: end, begins: end - printed.startsAt, length: printed.fullLength, beat: printed.countedBeat }
    bars.push(here)
    beats.push(...beatsOf(here, end + bar.length))
    for (const on of bar.on) {
      const note = notes.get(on.id)
      if (!note) continue // a rest, or the second of two tied notes
      const last = [on.id, ...note.tiedIds].findLast((t) => ends.has(t)) ?? on.id
      played.push({
        noteId: note.id,
        at: end + on.at,
        length: Math.max(0.1, (ends.get(last) ?? 0) - (begins.get(on.id) ?? 0)),
        midi: note.midi,
        plucked: note.plucked,
      })
    }
    end += bar.length
  }
  return { notes: played, beats, bars, end }
}

/** The beats of a bar that fall between its first note and its end, in its own meter; a pick-up has no first beat. */
export function beatsOf({ at, begins, beat }: PlayedBar, end: number): Beat[] {
  const beats: Beat[] = []
  for (let k = 0; begins + k * beat < end - MOMENT; k++)
    if (begins + k * beat >= at - MOMENT) beats.push({ at: begins + k * beat, strong: k === 0 })
  return beats
}

/**
 * The clicks before a start: a whole bar, then the beats of its own bar that go before it. True for the first of a bar.
 */
export function countIn(schedule: Schedule, start: number): { beat: number; clicks: boolean[] } {
  const bar = schedule.bars.findLast((b) => b.at <= start + MOMENT)
  if (!bar) return { beat: 1, clicks: [] }
  const perBar = Math.max(1, Math.round(bar.length / bar.beat))
  const before = Math.floor((start - bar.begins) / bar.beat + MOMENT)
  const count = (perBar < 2 ? 2 : perBar) + (before > 0 && before < perBar ? before : 0)
  return { beat: bar.beat, clicks: Array.from({ length: count }, (_, k) => k % perBar === 0) }
}
