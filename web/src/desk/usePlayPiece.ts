import { useEffect, useState } from 'react'
import { engraver } from '../engraving/engraver'
import { Player, type PlaySettings } from '../hear/Player'
import { Synth } from '../hear/synth'
import { useStable } from '../ui/useStable'
import { useToast } from '../ui/toasts'
import { barLength, idOf, placeOf, soundOf, type DeskTask, type PieceDoc, type Place } from './piece'

/** Plays a piece of the desk from its start or from a note. */
export function usePlayPiece(task: DeskTask, piece: PieceDoc) {
  const toast = useToast()
  const [playing, setPlaying] = useState(false)
  const [now, setNow] = useState<string | null>(null)
  const [settings, setSettings] = useState<PlaySettings>({
    tempo: 80,
    sound: 'plucked',
    countIn: false,
    metronome: false,
    loop: null,
  })
  const listener = {
    onNote: (id: string) => setNow(id),
    onPlaying: (is: boolean) => {
      setPlaying(is)
      if (!is) setNow(null)
    },
    onProblem: (text: string) => toast({ text }),
  }
  const [player] = useState(
    () =>
      new Player(
        (v) => new Synth(v),
        (xml) => engraver.times(xml),
        settings,
        listener,
      ),
  )
  useEffect(() => {
    player.follow(settings, listener)
  })
  useEffect(() => () => player.close(), [player])
  // Other music is another sound.
  const hush = useStable(() => {
    if (player.playing) player.stop()
  })
  useEffect(() => hush, [hush, piece])
  const play = (from: Place | null) => {
    if (player.playing) {
      player.stop()
      return
    }
    const notes = soundOf(task, piece)
    const bars = piece.bars.map((_, i) => i)
    const whole = piece.bars.reduce((sum, bar) => sum + Math.max(0, barLength(task, bar)), 0) / 16
    void player.playNotes(
      { notes, beats: [], bars: [], end: Math.max(whole, bars.length ? 1 : 0) },
      from ? idOf(from) : undefined,
    )
  }
  return {
    playing,
    now: now === null ? null : placeOf(now),
    settings,
    set: (s: Partial<PlaySettings>) => setSettings({ ...settings, ...s }),
    play,
    /** Sounds one note. */
    tap: (midi: number) => player.tap(midi),
  }
}
