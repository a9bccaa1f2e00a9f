import type { Pin, PinChange, PinChanges, Reading } from '../api/client'
import { useChangePins, useChooseOctave, useFreshReading } from './queries'
import type { Change } from '../history/changeQueue'
import type { MakeChange } from './useChanges'

type Told = (reading: Reading) => Pick<Change, 'what' | 'noteId'>
type Pair = Pick<Pin, 'string' | 'finger'>

const pairOf = (pair: Pair | null | undefined) => (pair ? { string: pair.string, finger: pair.finger } : null)

/** The change of a note’s pin to a pair, or with null to none, from what it is in the reading. */
export const pinChange = ({ pins }: Pick<Reading, 'pins'>, noteId: string, pair: Pair | null): PinChange => ({
  noteId,
  to: pairOf(pair),
  was: pairOf(pins.find((p) => p.noteId === noteId)),
})

/** What takes changes back: they alone, whatever else has been changed since. */
export const takenBack = ({ changes, printed }: PinChanges): PinChanges => ({
  changes: changes.map(({ noteId, to, was }) => ({ noteId, to: was, was: to })),
  printed: printed ? { to: printed.was, was: printed.to } : null,
})

/** The teacher's own pairs and octave: set and take back. Each change is kept at once. */
export function usePins(tuneId: number, instrument: string, make: MakeChange) {
  const put = useChangePins()
  const choose = useChooseOctave()
  const fresh = useFreshReading()
  const change = (what: Told, next: (reading: Reading) => PinChanges | null) =>
    make(async () => {
      const reading = await fresh(tuneId, instrument)
      const changes = next(reading)
      if (!changes) return null
      const send = (some: PinChanges) => put.mutateAsync({ id: tuneId, instrument, ...some })
      await send(changes)
      return { takeBack: () => send(takenBack(changes)), on: reading.instrument.name, ...what(reading) }
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
      change(ofNote(noteId), (reading) => ({ changes: [pinChange(reading, noteId, pair)] })),
    /** Takes the next of a note's ways. */
    turn: (noteId: string) =>
      change(ofNote(noteId), (reading) => {
        const note = reading.notes.find((n) => n.id === noteId)
        if (!note) return null
        if (!note.next) throw new Error(`There is only one way to play this ${note.name}.`)
        return { changes: [pinChange(reading, noteId, note.next.isFree ? null : note.next)] }
      }),
    /** Reads the tune in another octave; null lets it find its own. */
    octave: (octaves: number | null) =>
      make(async () => {
        const reading = await fresh(tuneId, instrument)
        const before = reading.octaveChosen ? reading.octaves : null
        if (before === octaves) return null
        await choose.mutateAsync({ id: tuneId, instrument, octaves, was: before })
        const takeBack = () => choose.mutateAsync({ id: tuneId, instrument, octaves: before, was: octaves })
        return { takeBack, what: 'the octave', on: reading.instrument.name }
      }),
    usePrinted: (use: boolean) =>
      change(
        () => ({ what: 'use of the printed fingers' }),
        ({ usesPrintedFingers: was }) => (was === use ? null : { changes: [], printed: { to: use, was } }),
      ),
  }
}

export type Pins = ReturnType<typeof usePins>
