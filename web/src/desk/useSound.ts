import { useState } from 'react'
import type { components } from '../api/schema'
import { usePlayer } from '../hear/usePlayer'

/** Plays the notes of one of many things by pressing; another that begins ends it. */
export function useSound() {
  const [which, setWhich] = useState<number | null>(null)
  const { player, playing } = usePlayer({})
  return {
    /** Which one plays, or null. */
    playing: playing ? which : null,
    toggle: (next: number, notes: readonly components['schemas']['SoundNote'][]) => {
      const isOn = player.playing && which === next
      player.stop()
      if (isOn) return
      const end = Math.max(0, ...notes.map((n) => n.start + n.length))
      const played = notes.map((n, i) => ({
        noteId: `${i}`,
        at: n.start,
        length: n.length,
        midi: n.midi,
        plucked: false,
      }))
      void player.playNotes({ notes: played, beats: [], bars: [], end }, undefined)
      setWhich(next)
    },
  }
}
