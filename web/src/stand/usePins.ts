import type { Reading, ReadingNote } from '../api/client'
import { useChooseOctave, useFreshReading, useSetPins, type PinSet } from './queries'
import type { MakeChange } from './useChanges'

type Pair = { string: number; finger: number }

/**
 * The way after the present one among all ways of a note in reach of the class, round and round; null where that is the one
 * that would be chosen without a pin. A note with one way only is refused.
 */
function nextWay(note: ReadingNote): Pair | null {
  const all = [
    { string: note.string ?? 0, finger: note.finger ?? 0, beyond: note.beyond, extraCost: note.pinned ? 0 : null },
    ...note.others,
  ]
    .filter((w) => !w.beyond || note.beyond)
    .sort((a, b) => b.string - a.string || a.finger - b.finger)
  if (all.length < 2) throw new Error(`There is only one way to play this ${note.name}.`)
  const next = all[(all.findIndex((w) => w.string === note.string && w.finger === note.finger) + 1) % all.length]
  if (!next || !note.pinned) return next ?? null
  const free = all.reduce((best, w) => ((w.extraCost ?? Infinity) < (best.extraCost ?? Infinity) ? w : best))
  return next === free ? null : next
}

const withPin = ({ pins }: Reading, noteId: string, pair: Pair | null) => [
  ...pins.filter((p) => p.noteId !== noteId),
  ...(pair ? [{ noteId, string: pair.string, finger: pair.finger }] : []),
]

/** The teacher's own pairs and octave: set and take back. Each change is kept at once. */
export function usePins(tuneId: number, instrument: string, make: MakeChange) {
  const put = useSetPins()
  const choose = useChooseOctave()
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
        return note ? { pins: withPin(reading, noteId, nextWay(note)) } : null
      }),
    /** Reads the tune in another octave; null lets it find its own. */
    octave: (octaves: number | null) =>
      make(async () => {
        const reading = await fresh(tuneId, instrument)
        const before = reading.octaveChosen ? reading.octaves : null
        if (before === octaves) return null
        await choose.mutateAsync({ id: tuneId, instrument, octaves })
        return () => choose.mutateAsync({ id: tuneId, instrument, octaves: before })
      }),
    usePrinted: (use: boolean) => change(() => ({ usePrinted: use })),
  }
}
