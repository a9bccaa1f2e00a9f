import { useState } from 'react'
import type { Pin, Reading, ReadingNote } from '../api/client'
import { useSetPins, type PinSet } from '../api/queries'
import { useToast } from '../ui/toasts'

type Pair = { string: number; finger: number }

/** The teacher's own pairs: set, take back, undo. Each change is kept at once. */
export function usePins(reading: Reading | undefined) {
  const [past, setPast] = useState<PinSet[]>([])
  const put = useSetPins()
  const toast = useToast()

  const change = (next: { pins: Pin[]; usePrinted: boolean }) => {
    if (!reading) return
    const at = { id: reading.tuneId, instrument: reading.instrument.id }
    const before: PinSet = { ...at, pins: reading.pins, usePrinted: reading.usesPrintedFingers }
    put.mutate(
      { ...at, ...next },
      { onSuccess: () => setPast((p) => [...p, before]), onError: (refusal) => toast({ text: refusal.message }) },
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
    undo: () => {
      const last = past.at(-1)
      if (!last) return toast({ text: 'There is no change of fingering to undo.' })
      put.mutate(last, { onSuccess: () => setPast((p) => p.slice(0, -1)) })
    },
  }
}
