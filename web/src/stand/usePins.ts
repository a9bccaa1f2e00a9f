import type { Reading, ReadingNote } from '../api/client'
import { useFreshReading, useSetPins, type PinSet } from '../api/queries'
import type { MakeChange } from './useChanges'

type Pair = { string: number; finger: number }

/** The way after the present one among all ways of a note, round and round, those in reach of the class first; null where it has but one. */
function nextWay(note: ReadingNote): Pair | null {
  const all = [{ string: note.string ?? 0, finger: note.finger ?? 0, beyond: note.beyond }, ...note.others]
    .filter((w) => !w.beyond || note.beyond)
    .sort((a, b) => b.string - a.string || a.finger - b.finger)
  const at = all.findIndex((w) => w.string === note.string && w.finger === note.finger)
  return all.length > 1 ? (all[(at + 1) % all.length] ?? null) : null
}

const withPin = ({ pins }: Reading, noteId: string, pair: Pair | null) => [
  ...pins.filter((p) => p.noteId !== noteId),
  ...(pair ? [{ noteId, string: pair.string, finger: pair.finger }] : []),
]

/** The teacher's own pairs: set and take back. Each change is kept at once. */
export function usePins(tuneId: number, instrument: string, make: MakeChange) {
  const put = useSetPins()
  const fresh = useFreshReading()
  const change = (next: (reading: Reading) => Partial<Pick<PinSet, 'pins' | 'usePrinted'>> | null) =>
    make(async () => {
      const reading = await fresh(tuneId, instrument)
      const changed = next(reading)
      if (!changed) return null
      const before = { id: tuneId, instrument, pins: reading.pins, usePrinted: reading.usesPrintedFingers }
      await put.mutateAsync({ ...before, ...changed })
      return () => put.mutateAsync(before)
    })

  return {
    /** Fixes a note's pair, or with null lets the solver choose again. */
    pin: (noteId: string, pair: Pair | null) => change((reading) => ({ pins: withPin(reading, noteId, pair) })),
    /** Takes the next of a note's ways. */
    turn: (noteId: string) =>
      change((reading) => {
        const note = reading.notes.find((n) => n.id === noteId)
        const way = note && nextWay(note)
        return way ? { pins: withPin(reading, noteId, way) } : null
      }),
    usePrinted: (use: boolean) => change(() => ({ usePrinted: use })),
  }
}
