import { useEffect, useState } from 'react'
import type { components } from '../api/schema'
import { engraver } from '../engraving/engraver'
import { Player, type PlaySettings } from '../hear/Player'
import { Synth } from '../hear/synth'
import { useToast } from '../ui/toasts'

const SETTINGS: PlaySettings = { tempo: 80, sound: 'plucked', countIn: false, metronome: false, loop: null }

/** Plays a few notes by pressing; another that begins ends it. */
export function useSound(notes: readonly components['schemas']['SoundNote'][]) {
  const toast = useToast()
  const [playing, setPlaying] = useState(false)
  const [player] = useState(
    () =>
      new Player(
        (volume) => new Synth(volume),
        (xml) => engraver.times(xml),
        SETTINGS,
        { onNote: () => undefined, onPlaying: setPlaying, onProblem: (text) => toast({ text }) },
      ),
  )
  useEffect(() => () => player.close(), [player])
  return {
    playing,
    toggle: () => {
      if (player.playing) {
        player.stop()
        return
      }
      const end = Math.max(0, ...notes.map((n) => n.start + n.length))
      const played = notes.map((n, i) => ({
        noteId: `${i}`,
        at: n.start,
        length: n.length,
        midi: n.midi,
        plucked: false,
      }))
      void player.playNotes({ notes: played, beats: [], bars: [], end }, undefined)
    },
  }
}
