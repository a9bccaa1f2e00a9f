import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import type { Reading } from '../api/client'
import { Player, type PlaySettings } from './Player'
import type { TimeEntry } from '../engraving/engraver'
import type { Synth } from './synth'

/** Stands in for the sound device: a clock that the fake timers turn, and what sounds or is about to. */
class Device {
  readonly begun = Date.now()
  sounding: { midi: number; at: number; end: number }[] = []
  held: number | null = null
  closed = false
  context = { resume: () => Promise.resolve() }
  volume = 1
  get now() {
    return (Date.now() - this.begun) / 1000
  }
  note(midi: number, at: number, seconds: number) {
    this.sounding.push({ midi, at, end: at + seconds })
  }
  click(at: number) {
    this.sounding.push({ midi: 0, at, end: at + 0.06 })
  }
  drone(midi: number | null) {
    this.held = midi
  }
  silence() {
    this.sounding = []
  }
  close() {
    this.silence()
    this.held = null
    this.closed = true
  }
  /** What is to be heard from now on. */
  ahead() {
    return this.sounding.filter((s) => s.end > this.now)
  }
}

/** Four quarters in one bar. */
const map: TimeEntry[] = [
  { qstamp: 0, measureOn: 'b1', on: ['n1'] },
  { qstamp: 1, off: ['n1'], on: ['n2'] },
  { qstamp: 2, off: ['n2'], on: ['n3'] },
  { qstamp: 3, off: ['n3'], on: ['n4'] },
  { qstamp: 4, off: ['n4'] },
]
const reading = {
  musicXml: '',
  notes: [1, 2, 3, 4].map((n) => ({ id: `n${n}`, tiedIds: [], midi: 60 + n, plucked: false })),
  bars: [{ id: 'b1', startsAt: 0, fullLength: 4, countedBeat: 1 }],
  order: [0],
} as unknown as Reading

const settings: PlaySettings = { tempo: 60, sound: 'bowed', countIn: false, metronome: false, loop: null }

/** A player whose time maps arrive when they are let. */
function stage(own: Partial<PlaySettings> = {}) {
  const devices: Device[] = []
  const waiting: (() => void)[] = []
  const heard: string[] = []
  const told: (boolean | string)[] = []
  const player = new Player(
    () => {
      const device = new Device()
      devices.push(device)
      return device as unknown as Synth
    },
    () => new Promise((done) => waiting.push(() => done(map))),
    { ...settings, ...own },
    {
      onNote: (id) => heard.push(id),
      onPlaying: (playing) => told.push(playing),
      onProblem: (why) => told.push(why),
    },
  )
  /** Lets all time maps arrive. */
  const arrive = async () => {
    await vi.advanceTimersByTimeAsync(0)
    while (waiting.length > 0) waiting.shift()?.()
    await vi.advanceTimersByTimeAsync(0)
  }
  return { player, devices, heard, told, arrive }
}

beforeEach(() => void vi.useFakeTimers())
afterEach(() => void vi.useRealTimers())

test('a tune is heard once, note by note, and ends by itself', async () => {
  const { player, heard, told, arrive } = stage()
  void player.play(reading, 'n2')
  await arrive()
  await vi.advanceTimersByTimeAsync(6000)
  expect(heard).toEqual(['n2', 'n3', 'n4'])
  expect(told).toEqual([true, false])
  expect(vi.getTimerCount()).toBe(0)
})

test('of two presses before the first is ready one player comes, and stop ends it', async () => {
  const { player, devices, arrive } = stage()
  void player.play(reading, 'n1')
  void player.play(reading, 'n1')
  await arrive()
  expect(vi.getTimerCount()).toBe(1)
  await vi.advanceTimersByTimeAsync(500)
  player.stop()
  expect([vi.getTimerCount(), devices[0]?.ahead()]).toEqual([0, []])
  await vi.advanceTimersByTimeAsync(5000)
  expect(devices[0]?.ahead()).toEqual([])
})

test('stop before it is ready is silence', async () => {
  const { player, devices, arrive } = stage()
  void player.play(reading, 'n1')
  player.stop()
  await arrive()
  await vi.advanceTimersByTimeAsync(3000)
  expect([player.playing, vi.getTimerCount(), devices[0]?.sounding]).toEqual([false, 0, []])
})

test('a player that is left for another screen is silent, drone and all', async () => {
  const { player, devices, arrive } = stage({ loop: { from: 'n1', to: 'n4' } })
  player.drone(50)
  void player.play(reading, 'n1')
  await arrive()
  await vi.advanceTimersByTimeAsync(1000)
  player.close()
  await vi.advanceTimersByTimeAsync(5000)
  expect([devices[0]?.closed, devices[0]?.held, devices[0]?.ahead(), vi.getTimerCount()]).toEqual([true, null, [], 0])
})

test('why nothing sounds is said, and the next press may do better', async () => {
  const told: (boolean | string)[] = []
  let fails = true
  const player = new Player(
    () => new Device() as unknown as Synth,
    () => (fails ? Promise.reject(new Error('The engraver broke down.')) : Promise.resolve(map)),
    settings,
    { onNote: () => undefined, onPlaying: (p) => told.push(p), onProblem: (why) => told.push(why) },
  )
  await player.play(reading, undefined)
  expect(told).toEqual([true, false, 'The engraver broke down.'])
  fails = false
  await player.play(reading, undefined)
  expect([player.playing, vi.getTimerCount()]).toEqual([true, 1])
  player.close()
})

/** Numbers from 0 up to below n, always the same (a linear congruential generator, Numerical Recipes). */
function dice(seed: number) {
  let state = seed
  return (n: number) => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0
    return Math.floor((state / 2 ** 32) * n)
  }
}

test.each(Array.from({ length: 40 }, (_, seed) => seed))(
  'anything in any order is one sound or none, and stop is silence (seed %i)',
  async (seed) => {
    const roll = dice(seed)
    const stages = [stage(), stage()]
    for (let step = 0; step < 120; step++) {
      const { player, arrive } = stages[roll(2)] ?? stage()
      const note = () => `n${1 + roll(5)}` // n5 is of another tune
      const acts: (() => unknown)[] = [
        () => void player.play(reading, note()),
        () => void player.play(reading, note()),
        () => player.stop(),
        () => player.close(),
        () => player.drone(roll(2) ? 50 : null),
        () => {
          player.follow({ ...settings, tempo: 40 + roll(160), metronome: roll(2) > 0, countIn: roll(2) > 0 })
        },
        () => {
          player.follow({ ...settings, loop: roll(3) ? { from: note(), to: note() } : null })
        },
        arrive,
        () => vi.advanceTimersByTimeAsync(roll(2500)),
      ]
      await Promise.resolve(acts[roll(acts.length)]?.())
      const sounding = stages.filter(({ devices }) => devices.some((d) => d.ahead().length > 0))
      expect(vi.getTimerCount()).toBeLessThanOrEqual(1)
      expect(sounding.length).toBeLessThanOrEqual(1)
      for (const { player: one, devices } of stages)
        if (!one.playing) expect(devices.flatMap((d) => d.ahead())).toEqual([])
    }
    for (const { player, arrive } of stages) {
      player.stop()
      await arrive()
      player.stop()
    }
    await vi.advanceTimersByTimeAsync(5000)
    expect(vi.getTimerCount()).toBe(0)
    expect(stages.flatMap(({ devices }) => devices.flatMap((d) => d.ahead()))).toEqual([])
  },
)
