import { useEffect, useState } from 'react'
import type { PlaySettings } from '../hear/Player'
import { usePlayer } from '../hear/usePlayer'
import { useStable } from '../ui/useStable'
import { barLength, idOf, placeOf, soundOf, type DeskTask, type PieceDoc, type Place } from './piece'

/** Plays a piece of the desk from its start or from a note. */
export function usePlayPiece(task: DeskTask, piece: PieceDoc) {
  const [now, setNow] = useState<string | null>(null)
  const [settings, setSettings] = useState<PlaySettings>({
    tempo: 80,
    sound: 'plucked',
    countIn: false,
    metronome: false,
    loop: null,
  })
  const { player, playing } = usePlayer({
    settings,
    onNote: setNow,
    onPlaying: (is) => {
      if (!is) setNow(null)
    },
  })
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
