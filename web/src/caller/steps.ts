import type { CallMoment, Reading, Together } from '../api/client'
import { beatsOf, countIn, type Beat, type PlayedBar, type Schedule } from '../hear/schedule'

/** One thing to call, in the order of playing: a note, or a silence of all. */
export type Step = {
  id: string
  /** Order of its line and of its bar in the print. */
  line: number
  bar: number
  /** "Bar 3". */
  barName: string
  /** Order of its bar in playing. */
  played: number
  /** Its bar has been played before: a repeat. */
  again: boolean
  moment: CallMoment
  /** In quarters from the first note of the tune, its repeats played out. */
  at: number
  lasts: number
}

/** What the caller goes through: first and last step. */
export type Part = { from: number; to: number }

export type PartKind = 'whole' | 'bar' | 'two' | 'line' | 'chunk'

type Bars = Pick<Reading, 'bars' | 'order'>

/** The bars as they are played. */
export function playedBars({ bars, order }: Bars, lengths: ReadonlyMap<number, number>): PlayedBar[] {
  let at = 0
  return order.flatMap((bar) => {
    const printed = bars[bar]
    if (!printed) return []
    const played = { at, begins: at - printed.startsAt, length: printed.fullLength, beat: printed.countedBeat }
    at += lengths.get(bar) ?? printed.fullLength - printed.startsAt
    return played
  })
}

/** How long the notes and rests of each bar last together. */
export const barLengths = (events: Reading['events'], bars: Reading['bars']) => {
  const orders = new Map(bars.map((b, i) => [b.id, i]))
  const lengths = new Map<number, number>()
  for (const e of events) {
    const bar = orders.get(e.barId) ?? -1
    lengths.set(bar, (lengths.get(bar) ?? 0) + e.length)
  }
  return lengths
}

/** Everything that is called from the first note to the last; grace notes go with their note. */
export function stepsOf(together: Together, reading: Pick<Reading, 'bars' | 'order' | 'events'>): Step[] {
  const lines = together.lines.flatMap((l, line) => l.bars.map((bar) => [bar.order, { bar, line }] as const))
  const called = new Map(lines)
  const times = playedBars(reading, barLengths(reading.events, reading.bars))
  const seen = new Set<number>()
  return reading.order.flatMap((order, played) => {
    const here = called.get(order)
    const again = seen.has(order)
    seen.add(order)
    const begins = times[played]?.at ?? 0
    return (here?.bar.moments ?? [])
      .filter((m) => !m.isGrace)
      .map((moment, k) => ({
        id: `${played}.${k}`,
        line: here?.line ?? 0,
        bar: order,
        barName: here?.bar.name ?? '',
        played,
        again,
        moment,
        at: begins + moment.at,
        lasts: moment.lasts,
      }))
  })
}

/** The part of a kind around a step; the chunk is the nearest trouble spot from there on, with the note before. */
export function partOf(kind: PartKind, steps: readonly Step[], at: number, trouble: Reading['trouble'] = []): Part {
  const whole = { from: 0, to: steps.length - 1 }
  const here = steps[at]
  if (!here || kind === 'whole') return whole
  if (kind === 'chunk') return chunkFrom(steps, at, trouble) ?? around(steps, at, (s) => s.played === here.played)
  if (kind === 'line')
    // Played on without a leap, so that a line that comes again is not one long one with itself.
    return around(steps, at, (s, before) => s.line === here.line && Math.abs(s.bar - before.bar) <= 1)
  return around(steps, at, (s) => s.played === here.played || (kind === 'two' && s.played === here.played + 1))
}

/** The steps next to each other, around one of them, that belong to it. */
function around(steps: readonly Step[], at: number, belongs: (step: Step, neighbour: Step) => boolean): Part {
  let [from, to] = [at, at]
  const joined = (next: number, from: number) => {
    const [step, neighbour] = [steps[next], steps[from]]
    return step !== undefined && neighbour !== undefined && belongs(step, neighbour)
  }
  while (joined(from - 1, from)) from--
  while (joined(to + 1, to)) to++
  return { from, to }
}

function chunkFrom(steps: readonly Step[], at: number, trouble: Reading['trouble']): Part | null {
  const reached = new Set(trouble.map((t) => t.noteId))
  const ends = steps.flatMap((s, i) => (s.moment.sections.some((x) => x.noteId && reached.has(x.noteId)) ? [i] : []))
  const to = ends.find((i) => i > at) ?? ends.find((i) => i === at) ?? ends[0]
  return to === undefined ? null : { from: Math.max(0, to - 2), to }
}

/** The four ways through a part. */
export const PASSES = ['say', 'finger', 'pluck', 'bow'] as const
export type Pass = (typeof PASSES)[number]

/** What is played: the id tells pass and step apart. */
export const turnId = (pass: number, step: number) => `${pass}:${step}`
export const ofTurn = (id: string) => {
  const [pass = 0, step = 0] = id.split(':').map(Number)
  return { pass, step }
}

/**
 * A part as it is stepped by the metronome, once or in several passes with a bar counted in before each but the first:
 * before that one the player counts by itself.
 * @param aloud Whether the sections’ notes are heard.
 */
export function callerSchedule(
  steps: readonly Step[],
  reading: Bars & Pick<Reading, 'events'>,
  part: Part,
  passes: readonly number[],
  aloud: boolean,
): Schedule {
  const bars = playedBars(reading, barLengths(reading.events, reading.bars))
  const inside = steps.slice(part.from, part.to + 1)
  const first = inside[0]
  const last = inside.at(-1)
  const schedule: Schedule = { notes: [], beats: [], bars: [], end: 0 }
  if (!first || !last) return schedule
  const length = last.at + last.lasts - first.at
  const clicks = countIn({ ...schedule, bars }, first.at)
  for (const pass of passes) {
    if (pass !== passes[0]) {
      const gap: Beat[] = clicks.clicks.map((strong, k) => ({
        at: schedule.end + k * clicks.beat,
        strong,
        countsIn: true,
      }))
      schedule.beats.push(...gap)
      schedule.end += gap.length * clicks.beat
    }
    const shift = schedule.end - first.at
    for (const bar of bars.filter((b) => b.begins + b.length > first.at && b.at < last.at + last.lasts)) {
      schedule.bars.push({ ...bar, at: bar.at + shift, begins: bar.begins + shift })
      const end = Math.min(bar.begins + bar.length, last.at + last.lasts)
      schedule.beats.push(
        ...beatsOf(bar, end)
          .filter((b) => b.at >= first.at)
          .map((b) => ({ ...b, at: b.at + shift })),
      )
    }
    inside.forEach((step, k) => schedule.notes.push(...sounds(step, turnId(pass, part.from + k), shift, pass, aloud)))
    schedule.end += length
  }
  return schedule
}

/** A step as it is told, and as it is heard where it is: tones that several sections have sound once. */
function sounds({ moment, at, lasts }: Step, noteId: string, shift: number, pass: number, aloud: boolean) {
  const plucked = PASSES[pass] === 'pluck'
  const told = { noteId, at: at + shift, length: lasts, midi: null as number | null, plucked }
  if (!aloud) return [told]
  const lengths = new Map<number, number>()
  for (const { midi, length } of moment.sections)
    if (midi !== null) lengths.set(midi, Math.max(lengths.get(midi) ?? 0, length))
  return [told, ...[...lengths].map(([midi, length]) => ({ ...told, midi, length }))]
}
