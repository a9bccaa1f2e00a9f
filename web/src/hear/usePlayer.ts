import { useEffect, useState } from 'react'
import { engraver } from '../engraving/engraver'
import { useToast } from '../ui/toasts'
import { Player, type PlaySettings } from './Player'
import { Synth } from './synth'

const USUAL: PlaySettings = { tempo: 80, sound: 'plucked', countIn: false, metronome: false, loop: null }

/**
 * A player of one’s own, silent until it is asked; whoever else plays ends then. When one leaves, it ends and gives the
 * sound device back.
 * @param volume From 0 to 1.
 */
export function usePlayer({
  settings,
  volume = 1,
  onNote = () => undefined,
  onPlaying = () => undefined,
}: {
  settings?: Partial<PlaySettings>
  volume?: number
  onNote?: (noteId: string) => void
  onPlaying?: (playing: boolean) => void
}) {
  const toast = useToast()
  const [playing, setPlaying] = useState(false)
  const asked = { ...USUAL, ...settings }
  const listener = {
    onNote,
    onPlaying: (is: boolean) => {
      setPlaying(is)
      onPlaying(is)
    },
    onProblem: (text: string) => toast({ text }),
  }
  const [player] = useState(
    () =>
      new Player(
        (level) => new Synth(level),
        (xml) => engraver.times(xml),
        asked,
        listener,
      ),
  )
  useEffect(() => player.follow(asked, listener))
  useEffect(() => player.setVolume(volume), [player, volume])
  useEffect(() => () => player.close(), [player])
  return { player, playing }
}
