import type { Pin, Reading } from '../api/client'
import { useChooseOctave, useFreshReading, useSetPins, type PinSet } from './queries'
import type { Change } from './changeQueue'
import type { MakeChange } from './useChanges'

type Told = (reading: Reading) => Pick<Change, 'what' | 'noteId'>
type Pair = Pick<Pin, 'string' | 'finger'>

/** The pins with a note’s own replaced, or with null taken away. */
export const withPin = ({ pins }: Pick<Reading, 'pins'>, noteId: string, pair: Pair | null) => [
  ...pins.filter((p) => p.noteId !== noteId),
  ...(pair ? [{ noteId, string: pair.string, finger: pair.finger }] : []),
]

/** The teacher's own pairs and octave: set and take back. Each change is kept at once. */
export function usePins(tuneId: number, instrument: string, make: MakeChange) {
  const put = useSetPins()
  const choose = useChooseOctave()
  const fresh = useFreshReading()
  const change = (what: Told, next: (reading: Reading) => Partial<Pick<PinSet, 'pins' | 'usePrinted'>> | null) =>
    make(async () => {
      const reading = await fresh(tuneId, instrument)
      const changed = next(reading)
      if (!changed) return null
      const before = { id: tuneId, instrument, pins: reading.pins, usePrinted: reading.usesPrintedFingers }
      await put.mutateAsync({ ...before, ...changed })
      return { takeBack: () => put.mutateAsync(before), on: reading.instrument.name, ...what(reading) }
    })
  const ofNote =
    (noteId: string): Told =>
    ({ notes, bars }) => {
      const note = notes.find((n) => n.id === noteId)
      const bar = bars.find((b) => b.eventIds.includes(noteId))
      return { what: note && bar ? `finger of ${note.name}, ${bar.name.toLowerCase()}` : 'a finger', noteId }
    }

  return {
    /** Fixes a note's pair, or with null lets the solver choose again. */
    pin: (noteId: string, pair: Pair | null) =>
      change(ofNote(noteId), (reading) => ({ pins: withPin(reading, noteId, pair) })),
    /** Takes the next of a note's ways. */
    turn: (noteId: string) =>
      change(ofNote(noteId), (reading) => {
        const note = reading.notes.find((n) => n.id === noteId)
        if (!note) return null
        if (!note.next) throw new Error(`There is only one way to play this ${note.name}.`)
        return { pins: withPin(reading, noteId, note.next.isFree ? null : note.next) }
      }),
    /** Reads the tune in another octave; null lets it find its own. */
    octave: (octaves: number | null) =>
      make(async () => {
        const reading = await fresh(tuneId, instrument)
        const before = reading.octaveChosen ? reading.octaves : null
        if (before === octaves) return null
        await choose.mutateAsync({ id: tuneId, instrument, octaves })
        const takeBack = () => choose.mutateAsync({ id: tuneId, instrument, octaves: before })
        return { takeBack, what: 'the octave', on: reading.instrument.name }
      }),
    usePrinted: (use: boolean) =>
      change(
        () => ({ what: 'use of the printed fingers' }),
        () => ({ usePrinted: use }),
      ),
  }
}

export type Pins = ReturnType<typeof usePins>
