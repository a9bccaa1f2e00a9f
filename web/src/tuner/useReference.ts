import { useEffect, useState } from 'react'
import { Player } from '../hear/Player'
import { Synth } from '../hear/synth'

const QUIET = 0.3

/** A tone to tune to, held until it is ended; it begins quietly. */
export function useReference(a4: number) {
  const [held, setHeld] = useState<number | null>(null)
  const [volume, setVolume] = useState(QUIET)
  const [player] = useState(
    () =>
      new Player(
        (level) => new Synth(level),
        () => Promise.resolve([]),
        { tempo: 60, sound: 'bowed', countIn: false, metronome: false, loop: null },
        { onNote: () => undefined, onPlaying: () => undefined, onProblem: () => undefined },
      ),
  )
  useEffect(() => player.setVolume(volume), [player, volume])
  // Another reference pitch moves the tone that is held.
  useEffect(() => player.drone(held === null ? null : held + 12 * Math.log2(a4 / 440)), [player, held, a4])
  useEffect(() => () => player.close(), [player])
  return { held, hold: setHeld, volume, setVolume }
}
