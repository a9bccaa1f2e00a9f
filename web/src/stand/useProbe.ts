import { useCallback, useMemo, useState } from 'react'
import type { Reading } from '../api/client'
import type { Place } from '../board/boardSize'

/** A place picked on the fingerboard, and the notes of the tune that are played there. */
export function useProbe(reading: Reading | undefined) {
  const [place, setPlace] = useState<Place | null>(null)
  const found = useMemo(
    () =>
      place && reading
        ? reading.notes.filter((n) => n.string === place.string && n.semitones === place.semitones).map((n) => n.id)
        : [],
    [place, reading],
  )
  return { place, found, set: setPlace, end: useCallback(() => setPlace(null), []) }
}

export type Probe = ReturnType<typeof useProbe>
