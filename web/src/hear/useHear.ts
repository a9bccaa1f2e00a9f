import { useEffect, useState } from 'react'
import type { Reading } from '../api/client'
import { engraver } from '../engraving/engraver'
import { useStable } from '../ui/useStable'
import { useToast } from '../ui/toasts'
import { Player, type PlaySettings } from './Player'
import { Synth } from './synth'

export const SLOWEST = 40
export const FASTEST = 200
const USUAL = 80

export type HearSettings = PlaySettings & { volume: number; drone: number | null }

/** Plays the tune from any note. Nothing plays by itself; the volume starts low. */
export function useHear(reading: Reading | undefined, onNote: (noteId: string) => void) {
  const toast = useToast()
  const [playing, setPlaying] = useState(false)
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
  const listener = { onNote, onPlaying: setPlaying, onProblem: (text: string) => toast({ text }) }
  const [player] = useState(
    () =>
      new Player(
        (volume) => new Synth(volume),
        (xml) => engraver.times(xml),
        shown,
        listener,
      ),
  )
  useEffect(() => {
    player.follow(shown, listener)
  })
  useEffect(() => {
    player.setVolume(settings.volume)
  }, [player, settings.volume])
  // Another tune, another instrument or other music is another sound; leaving the stand is silence.
  const hush = useStable(() => {
    player.stop()
    player.drone(null)
    setSettings((s) => (s.drone === null ? s : { ...s, drone: null }))
  })
  useEffect(() => hush, [hush, reading?.tuneId, reading?.instrument.id, reading?.musicXml])
  useEffect(() => () => player.close(), [player])

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
