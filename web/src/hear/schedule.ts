import type { Reading } from '../api/client'

/** One entry of the engraver's time map: what begins and ends at a moment, in quarters from the start, its own repeats played out. */
export type TimeEntry = { qstamp: number; on?: string[]; off?: string[]; measureOn?: string }

/** A note as it sounds in playing order. */
export type Played = { noteId: string; at: number; length: number; midi: number; plucked: boolean }

export type Beat = { at: number; strong: boolean }

export type Schedule = {
  notes: Played[]
  beats: Beat[]
  /** Where each bar begins; a pick-up’s bar begins before the music does. */
  bars: number[]
  end: number
  barLength: number
  beat: number
}

/** A repeated note or bar bears the id of the printed one and the number of the time. */
const printed = (id: string) => id.replace(/-rend\d+$/, '')

/** What begins in a printed bar, in quarters from its beginning, and how long the bar lasts. */
type BarTimes = { length: number; on: { id: string; at: number }[] }

/** Each printed bar as it sounds the first time; the order of playing is the reading's, which knows more of it than the engraver. */
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
  const bars: { id: string; at: number }[] = []
  let end = 0
  for (const order of reading.order) {
    const id = reading.bars[order]?.id ?? ''
    const bar = times.get(id)
    if (!bar) continue
    bars.push({ id, at: end })
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
  const beat = reading.countedBeat
  const numbers = new Map(reading.bars.map((b) => [b.id, b.number]))
  const beats = bars.flatMap(({ id, at }, i) => {
    const next = bars[i + 1]?.at ?? end
    const count = Math.max(1, Math.round((next - at) / beat))
    // A pick-up leads up to the bar after it.
    const pickUp = numbers.get(id) === 0
    return Array.from({ length: count }, (_, k) => ({
      at: pickUp ? next - (count - k) * beat : at + k * beat,
      strong: k === 0 && !pickUp,
    })).filter((b) => b.at >= at - 0.001 && b.at < next - 0.001)
  })
  const full = reading.bars.find((b) => b.number > 0)
  const barLength = reading.events.filter((e) => e.barId === full?.id).reduce((sum, e) => sum + e.length, 0) || 4
  const starts = bars.map(({ id, at }, i) => (numbers.get(id) === 0 ? (bars[i + 1]?.at ?? end) - barLength : at))
  return { notes: played, beats, bars: starts, end, barLength, beat }
}

/** The clicks before a start: a whole bar, then the beats of its own bar that go before it. True for the first of a bar. */
export function countIn(schedule: Schedule, start: number): boolean[] {
  const perBar = Math.max(1, Math.round(schedule.barLength / schedule.beat))
  const bar = schedule.bars.findLast((b) => b <= start + 0.001) ?? 0
  const before = Math.floor((start - bar) / schedule.beat + 0.001)
  const clicks = (perBar < 2 ? 2 : perBar) + (before > 0 && before < perBar ? before : 0)
  return Array.from({ length: clicks }, (_, k) => k % perBar === 0)
}
