import { useCallback } from 'react'
import { usePlayer } from '../hear/usePlayer'

const VOLUME = 0.6

/** Sounds a note as it is placed. */
export function useTone() {
  const { player } = usePlayer({ volume: VOLUME })
  return useCallback(
    (midi: number | undefined) => {
      if (midi !== undefined) player.tap(midi)
    },
    [player],
  )
}
