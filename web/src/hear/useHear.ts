import { useEffect, useRef, useState } from 'react'
import type { Reading } from '../api/client'
import { engraver } from '../engraving/engraver'
import { countIn, scheduleOf, type Schedule } from './schedule'
import { Synth, type Sound } from './synth'

export const SLOWEST = 40
export const FASTEST = 200
const AHEAD_SECONDS = 0.25
const TICK_MS = 40

export type Loop = { from: string; to: string } | null

export type HearSettings = {
  tempo: number
  sound: Sound
  countIn: boolean
  metronome: boolean
  volume: number
  loop: Loop
  drone: number | null
}

/** Plays the tune from any note. Nothing plays by itself; the volume starts low. */
export function useHear(reading: Reading | undefined, onNote: (noteId: string) => void) {
  const [settings, setSettings] = useState<HearSettings>({
    tempo: 0,
    sound: 'bowed',
    countIn: true,
    metronome: false,
    volume: 0.4,
    loop: null,
    drone: null,
  })
  const [playing, setPlaying] = useState(false)
  const synth = useRef<Synth | null>(null)
  const timer = useRef<ReturnType<typeof setInterval>>(undefined)
  const live = useRef({ settings, onNote })
  useEffect(() => {
    live.current = { settings, onNote }
  })
  const tempo = settings.tempo || Math.min(FASTEST, Math.max(SLOWEST, Math.round(reading?.tempoQuarters ?? 80)))

  const stop = () => {
    clearInterval(timer.current)
    synth.current?.silence()
    setPlaying(false)
  }

  // Another tune or another instrument is another sound; leaving the stand is silence.
  const key = `${reading?.tuneId} ${reading?.instrument.id} ${reading?.musicXml.length}`
  useEffect(
    () => () => {
      clearInterval(timer.current)
      synth.current?.silence()
      setPlaying(false)
    },
    [key],
  )
  useEffect(
    () => () => {
      synth.current?.close()
      synth.current = null
    },
    [],
  )

  const sound = () => (synth.current ??= new Synth(settings.volume))

  const play = async (fromNote: string | undefined) => {
    if (!reading) return
    stop()
    const player = sound()
    await player.context.resume()
    const schedule = scheduleOf(await engraver.times(reading.musicXml), reading)
    setPlaying(true)
    run(player, schedule, fromNote)
  }

  const run = (player: Synth, schedule: Schedule, fromNote: string | undefined) => {
    const place = (id: string | undefined) => schedule.notes.find((n) => n.noteId === id)
    const range = () => {
      const loop = live.current.settings.loop
      const from = loop ? (place(loop.from)?.at ?? 0) : 0
      // In a repeated section the loop ends the first time through.
      const last = loop && schedule.notes.find((n) => n.noteId === loop.to && n.at >= from)
      return loop && last ? { from, to: last.at + last.length } : { from: 0, to: schedule.end }
    }
    const start = range()
    const wished = place(fromNote)?.at ?? 0
    let at = wished >= start.from && wished < start.to ? wished : start.from
    let clock = player.now + 0.12
    const seconds = (quarters: number) => (quarters * 60) / (live.current.settings.tempo || tempo)
    if (live.current.settings.countIn) {
      const { beat, clicks } = countIn(schedule, at)
      clicks.forEach((strong, k) => player.click(clock + seconds(k * beat), strong))
      clock += seconds(clicks.length * beat)
    }
    const shown: { id: string; at: number }[] = []
    timer.current = setInterval(() => {
      // Tempo, loop and metronome may change while the tune plays: a short piece at a time is laid down.
      while (clock < player.now + AHEAD_SECONDS) {
        const { from, to } = range()
        const piece = Math.min(to - at, 0.25)
        if (piece <= 0.0001) {
          if (!live.current.settings.loop) break
          at = from
          continue
        }
        const within = (q: number) => q >= at - 0.0001 && q < at + piece - 0.0001
        for (const n of schedule.notes.filter((x) => within(x.at))) {
          const when = clock + seconds(n.at - at)
          player.note(n.midi, when, seconds(n.length), n.plucked ? 'plucked' : live.current.settings.sound)
          shown.push({ id: n.noteId, at: when })
        }
        if (live.current.settings.metronome)
          for (const b of schedule.beats.filter((x) => within(x.at))) player.click(clock + seconds(b.at - at), b.strong)
        at += piece
        clock += seconds(piece)
      }
      while (shown[0] && shown[0].at <= player.now) {
        const due = shown.shift()
        if (due) live.current.onNote(due.id)
      }
      if (!live.current.settings.loop && at >= schedule.end - 0.0001 && player.now > clock) stop()
    }, TICK_MS)
  }

  return {
    playing,
    settings: { ...settings, tempo },
    set: (changed: Partial<HearSettings>) => {
      setSettings((s) => ({ ...s, ...changed }))
      if (changed.volume !== undefined && synth.current) synth.current.volume = changed.volume
      if (changed.drone !== undefined) sound().drone(changed.drone)
    },
    play,
    stop,
  }
}

export type Hear = ReturnType<typeof useHear>
