import { useEffect, useState } from 'react'
import { usePlayer } from '../hear/usePlayer'

const QUIET = 0.3

/** A tone to tune to, held until it is ended; it begins quietly. */
export function useReference(a4: number) {
  const [held, setHeld] = useState<number | null>(null)
  const [volume, setVolume] = useState(QUIET)
  const { player } = usePlayer({ volume })
  // Another reference pitch moves the tone that is held.
  useEffect(() => player.drone(held === null ? null : held + 12 * Math.log2(a4 / 440)), [player, held, a4])
  return { held, hold: setHeld, volume, setVolume }
}
