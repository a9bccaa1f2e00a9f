import { useEffect, useState } from 'react'
import type { Reading } from '../api/client'
import { useStable } from '../ui/useStable'
import type { PlaySettings } from './Player'
import { usePlayer } from './usePlayer'

export const SLOWEST = 40
export const FASTEST = 200
const USUAL = 80

export type HearSettings = PlaySettings & { volume: number; drone: number | null }

/** Plays the tune from any note. Nothing plays by itself; the volume starts low. */
export function useHear(reading: Reading | undefined, onNote: (noteId: string) => void) {
  // Tempo 0: as the tune says.
  const [settings, setSettings] = useState<HearSettings>({
    tempo: 0,
    sound: 'bowed',
    countIn: true,
    metronome: false,
    volume: 0.4,
    loop: null,
    drone: null,
  })
  const tempo = settings.tempo || Math.min(FASTEST, Math.max(SLOWEST, Math.round(reading?.tempoQuarters ?? USUAL)))
  const shown = { ...settings, tempo }
  const { player, playing } = usePlayer({ settings: shown, volume: settings.volume, onNote })
  // Another tune, another instrument or other music is another sound; leaving the stand is silence.
  const hush = useStable(() => {
    player.stop()
    player.drone(null)
    setSettings((s) => (s.drone === null ? s : { ...s, drone: null }))
  })
  useEffect(() => hush, [hush, reading?.tuneId, reading?.instrument.id, reading?.musicXml])

  const play = (from: string | undefined) => {
    if (reading) void player.play(reading, from)
  }
  return {
    playing,
    settings: shown,
    set: (changed: Partial<HearSettings>) => {
      setSettings((s) => ({ ...s, ...changed }))
      if (changed.drone !== undefined) player.drone(changed.drone)
    },
    /** Plays from a note, or ends what plays: of two quick presses the second takes the first back. */
    toggle: (from: string | undefined) => (player.playing ? player.stop() : play(from)),
  }
}

export type Hear = ReturnType<typeof useHear>
