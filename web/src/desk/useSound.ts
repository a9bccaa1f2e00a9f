import { useEffect, useState } from 'react'
import type { components } from '../api/schema'
import { engraver } from '../engraving/engraver'
import { Player, type PlaySettings } from '../hear/Player'
import { Synth } from '../hear/synth'
import { useToast } from '../ui/toasts'

const SETTINGS: PlaySettings = { tempo: 80, sound: 'plucked', countIn: false, metronome: false, loop: null }

/** Plays the notes of one of many things by pressing; another that begins ends it. */
export function useSound() {
  const toast = useToast()
  const [playing, setPlaying] = useState<number | null>(null)
  const [player] = useState(
    () =>
      new Player(
        (volume) => new Synth(volume),
        (xml) => engraver.times(xml),
        SETTINGS,
        {
          onNote: () => undefined,
          onPlaying: (is) => {
            if (!is) setPlaying(null)
          },
          onProblem: (text) => toast({ text }),
        },
      ),
  )
  useEffect(() => () => player.close(), [player])
  return {
    /** Which one plays, or null. */
    playing,
    toggle: (which: number, notes: readonly components['schemas']['SoundNote'][]) => {
      player.stop()
      if (playing === which) return
      const end = Math.max(0, ...notes.map((n) => n.start + n.length))
      const played = notes.map((n, i) => ({
        noteId: `${i}`,
        at: n.start,
        length: n.length,
        midi: n.midi,
        plucked: false,
      }))
      void player.playNotes({ notes: played, beats: [], bars: [], end }, undefined)
      setPlaying(which)
    },
  }
}
