import { useMemo, useState } from 'react'
import type { Reading, Together } from '../api/client'
import { FASTEST, SLOWEST } from '../hear/useHear'
import { usePlayer } from '../hear/usePlayer'
import { callerSchedule, ofTurn, partOf, PASSES, stepsOf, turnId, type PartKind, type Step } from './steps'

const QUIET = 0.4

export type CallerSettings = {
  tempo: number
  countIn: boolean
  clicks: boolean
  /** The sections’ notes are heard. */
  aloud: boolean
  /** Again and again, until it is stopped. */
  again: boolean
  volume: number
}

/** What the address asks for: a part of the tune and a tempo. */
export type Asked = { bars: { first: number; end: number } | null; tempo: number | null }

/** Steps through a tune by hand or by the metronome. Nothing moves and nothing sounds until it is started. */
export function useCaller(together: Together, reading: Reading, asked: Asked) {
  const steps = useMemo(() => stepsOf(together, reading), [together, reading])
  const [start] = useState(() => Math.max(0, asked.bars ? steps.findIndex((s) => s.bar === asked.bars?.first) : 0))
  const [at, setAt] = useState(start)
  const [pass, setPass] = useState(0)
  const [kind, setKind] = useState<PartKind | 'asked'>(asked.bars ? 'asked' : 'line')
  const [anchor, setAnchor] = useState(start)
  /** All passes are played one after the other. */
  const [inTurn, setInTurn] = useState(false)
  const usual = Math.min(FASTEST, Math.max(SLOWEST, asked.tempo ?? Math.min(60, reading.tempoQuarters)))
  const [settings, setSettings] = useState<CallerSettings>({
    tempo: usual,
    countIn: true,
    clicks: true,
    aloud: false,
    again: true,
    volume: QUIET,
  })
  const part = useMemo(() => {
    if (kind !== 'asked') return partOf(kind, steps, anchor, reading.trouble)
    const inside = steps.flatMap((s, i) =>
      !s.again && asked.bars && s.bar >= asked.bars.first && s.bar < asked.bars.end ? [i] : [],
    )
    return { from: inside[0] ?? 0, to: inside.at(-1) ?? steps.length - 1 }
  }, [kind, steps, anchor, reading, asked.bars])

  const loop = settings.again && !inTurn ? { from: turnId(pass, part.from), to: turnId(pass, part.to) } : null
  const playSettings = {
    tempo: settings.tempo,
    sound: 'bowed' as const,
    countIn: settings.countIn,
    metronome: settings.clicks,
    loop,
  }
  const { player, playing } = usePlayer({
    settings: playSettings,
    volume: settings.volume,
    onNote: (id) => {
      const turn = ofTurn(id)
      setAt(turn.step)
      setPass(turn.pass)
    },
  })

  const stop = () => player.stop()
  const jump = (to: number, as: PartKind | 'asked' = kind) => {
    stop()
    const next = Math.min(steps.length - 1, Math.max(0, to))
    setAt(next)
    if (next < part.from || next > part.to || as !== kind) setAnchor(next)
    if (as !== kind) setKind(as)
  }
  /** All four passes one after the other, or the present one alone. */
  const play = (all: boolean) => {
    const passes = all ? PASSES.map((_, p) => p) : [pass]
    const own = { from: turnId(pass, part.from), to: turnId(pass, part.to) }
    if (all) setPass(0)
    setInTurn(all)
    player.follow({ ...playSettings, loop: !all && settings.again ? own : null })
    // From the last step on there is nothing left to go through.
    const from = all || at < part.from || at >= part.to ? part.from : at
    void player.playNotes(callerSchedule(steps, reading, part, passes, settings.aloud), turnId(passes[0] ?? 0, from))
  }
  return {
    steps,
    at,
    part,
    pass,
    kind,
    playing,
    settings,
    set: (changed: Partial<CallerSettings>) => {
      // What is heard and whether it comes again is laid down when it starts.
      if (changed.aloud !== undefined || changed.again !== undefined) stop()
      setSettings((s) => ({ ...s, ...changed }))
    },
    /** The next step; after the last of the part its first, in the next of the four ways. */
    next: () => {
      stop()
      const to = at >= part.to || at < part.from ? part.from : at + 1
      if (at === part.to) setPass(Math.min(PASSES.length - 1, pass + 1))
      setAt(to)
      const midi = settings.aloud ? steps[to]?.moment.sections.find((s) => s.midi !== null)?.midi : null
      if (midi) player.tap(midi)
    },
    back: () => {
      stop()
      setAt(at <= part.from || at > part.to ? part.to : at - 1)
    },
    jump,
    goLine: (line: number) => {
      const to = steps.findIndex((s) => s.line === line)
      if (to >= 0) jump(to, kind === 'asked' ? 'line' : kind)
    },
    choose: (next: PartKind) => {
      stop()
      setKind(next)
      setAnchor(at)
      const here = partOf(next, steps, at, reading.trouble)
      if (at < here.from || at > here.to) setAt(here.from)
    },
    setPass: (next: number) => {
      stop()
      setPass(next)
    },
    play: () => (player.playing ? stop() : play(false)),
    playAll: () => (player.playing ? stop() : play(true)),
  }
}

export type Caller = ReturnType<typeof useCaller>

/** The step that comes after one in the part. */
export const following = ({ steps, part }: Pick<Caller, 'steps' | 'part'>, at: number): Step | undefined =>
  steps[at >= part.to ? part.from : at + 1]
