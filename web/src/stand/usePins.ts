import type { Pin, Reading, ReadingNote } from '../api/client'
import { useSetPins, type PinSet } from '../api/queries'
import { useToast } from '../ui/toasts'
import type { Remember } from './useUndo'

type Pair = { string: number; finger: number }

/** The teacher's own pairs: set and take back. Each change is kept at once. */
export function usePins(reading: Reading | undefined, remember: Remember) {
  const put = useSetPins()
  const toast = useToast()

  const change = (next: { pins: Pin[]; usePrinted: boolean }) => {
    if (!reading) return
    const at = { id: reading.tuneId, instrument: reading.instrument.id }
    const before: PinSet = { ...at, pins: reading.pins, usePrinted: reading.usesPrintedFingers }
    put.mutateAsync({ ...at, ...next }).then(
      () => remember(() => put.mutateAsync(before)),
      (refusal: Error) => toast({ text: refusal.message }),
    )
  }

  return {
    /** Fixes a note's pair, or with null lets the solver choose again. */
    pin: (note: ReadingNote, pair: Pair | null) => {
      if (!reading) return
      const others = reading.pins.filter((p) => p.noteId !== note.id)
      const own = pair ? [{ noteId: note.id, string: pair.string, finger: pair.finger }] : []
      change({ pins: [...others, ...own], usePrinted: reading.usesPrintedFingers })
    },
    usePrinted: (use: boolean) => reading && change({ pins: reading.pins, usePrinted: use }),
  }
}
