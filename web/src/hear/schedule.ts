import type { Reading } from '../api/client'

/** One entry of the engraver's time map: what begins and ends at a moment, in quarters from the start, repeats played out. */
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

/** A repeated note bears the id of the printed one and the number of the time. */
const printed = (id: string) => id.replace(/-rend\d+$/, '')

/** What sounds when, from the engraver's time map and the reading's pitches. */
export function scheduleOf(map: readonly TimeEntry[], reading: Reading): Schedule {
  const notes = new Map(reading.notes.map((n) => [n.id, n]))
  const ends = new Map<string, number>()
  for (const entry of map) for (const id of entry.off ?? []) ends.set(id, entry.qstamp)
  const played: Played[] = []
  for (const entry of map) {
    for (const id of entry.on ?? []) {
      const note = notes.get(printed(id))
      if (!note) continue // a rest, or the second of two tied notes
      const time = id.slice(printed(id).length)
      const last = [id, ...note.tiedIds.map((t) => t + time)].at(-1) ?? id
      const end = ends.get(last) ?? ends.get(id) ?? entry.qstamp
      played.push({
        noteId: note.id,
        at: entry.qstamp,
        length: Math.max(0.1, end - entry.qstamp),
        midi: note.midi,
        plucked: note.plucked,
      })
    }
  }
  const end = map.at(-1)?.qstamp ?? 0
  const beat = reading.countedBeat
  const bars = map.filter((e) => e.measureOn).map((e) => ({ id: printed(e.measureOn ?? ''), at: e.qstamp }))
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
