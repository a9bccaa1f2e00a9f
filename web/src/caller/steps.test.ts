import { expect, test } from 'vitest'
import type { Reading, Together } from '../api/client'
import { callerSchedule, ofTurn, partOf, playedBars, stepsOf, turnId } from './steps'

/**
 * A line of two bars in 4/4 after a pick-up of one quarter, the first line twice; a second line of one bar. Lengths in
 * quarters.
 */
const moment = (at: number, lasts: number, noteId: string | null, midi: number | null = 62) => ({
  beat: `${at + 1}`,
  at,
  lasts,
  isGrace: false,
  isRest: noteId === null,
  sections: [
    { noteId, midi, length: lasts },
    { noteId, midi: midi === null ? null : midi - 12, length: lasts },
    { noteId, midi, length: lasts },
  ],
})
const bar = (order: number, moments: ReturnType<typeof moment>[]) => ({
  order,
  id: `b${order}`,
  name: `Bar ${order}`,
  moments,
})
const together = {
  lines: [
    {
      bars: [
        bar(0, [moment(0, 1, 'p')]),
        bar(1, [moment(0, 2, 'a'), moment(2, 1, 'b'), moment(3, 1, null, null)]),
        bar(2, [moment(0, 3, 'c')]),
      ],
    },
    { bars: [bar(3, [moment(0, 4, 'd')])] },
  ],
} as unknown as Together
const event = (barId: string, length: number) => ({ barId, length })
const reading = {
  bars: [
    { id: 'b0', startsAt: 3, fullLength: 4, countedBeat: 1 },
    { id: 'b1', startsAt: 0, fullLength: 4, countedBeat: 1 },
    { id: 'b2', startsAt: 0, fullLength: 4, countedBeat: 1 },
    { id: 'b3', startsAt: 0, fullLength: 4, countedBeat: 1 },
  ],
  events: [event('b0', 1), event('b1', 2), event('b1', 1), event('b1', 1), event('b2', 3), event('b3', 4)],
  order: [0, 1, 2, 0, 1, 2, 3],
  trouble: [{ noteId: 'c' }],
} as unknown as Pick<Reading, 'bars' | 'order' | 'events' | 'trouble'>

const steps = stepsOf(together, reading)
const shown = (part: { from: number; to: number }) =>
  steps
    .slice(part.from, part.to + 1)
    .map((s) => s.moment.sections[0]?.noteId ?? '-')
    .join('')

test('the steps go through the repeats, silences of all among them', () => {
  expect(shown({ from: 0, to: 99 })).toBe('pab-cpab-cd')
  // 1 + 4 + 3 quarters, then the same again.
  expect(steps.map((s) => s.at)).toEqual([0, 1, 3, 4, 5, 8, 9, 11, 12, 13, 16])
  expect(steps.filter((s) => s.again).map((s) => s.line)).toEqual([0, 0, 0, 0, 0])
})

test('a short last bar of a repeat is as long as its notes', () => {
  expect(
    playedBars(
      reading,
      new Map([
        [0, 1],
        [1, 4],
        [2, 3],
        [3, 4],
      ]),
    ).map((b) => b.at),
  ).toEqual([0, 1, 5, 8, 9, 13, 16])
})

test('a bar, two bars, a line and a chunk are found around where one stands', () => {
  expect(shown(partOf('bar', steps, 2))).toBe('ab-')
  expect(shown(partOf('two', steps, 2))).toBe('ab-c')
  expect(shown(partOf('line', steps, 2))).toBe('pab-c')
  expect(shown(partOf('line', steps, 10))).toBe('d')
  expect(shown(partOf('chunk', steps, 0, reading.trouble))).toBe('b-c')
  expect(shown(partOf('whole', steps, 7))).toBe('pab-cpab-cd')
})

test('the line that comes again is the same line by itself', () => {
  expect(partOf('line', steps, 7)).toEqual({ from: 5, to: 9 })
})

test('four passes have a counted bar between them; each tone sounds once, however many sections have it', () => {
  const part = partOf('bar', steps, 2)
  const schedule = callerSchedule(steps, reading, part, [0, 1, 2, 3], true)
  // A bar of four, a counted bar of four, and so on: 4 × 4 + 3 × 4.
  expect(schedule.end).toBe(28)
  const told = schedule.notes.filter((n) => n.midi === null)
  expect(told.map((n) => [ofTurn(n.noteId).pass, n.at])).toEqual(
    [0, 1, 2, 3].flatMap((pass) => [
      [pass, pass * 8],
      [pass, pass * 8 + 2],
      [pass, pass * 8 + 3],
    ]),
  )
  expect(schedule.notes.filter((n) => n.at === 0 && n.midi !== null).map((n) => n.midi)).toEqual([62, 50])
  expect(schedule.beats.filter((b) => b.countsIn).map((b) => b.at)).toEqual([
    4, 5, 6, 7, 12, 13, 14, 15, 20, 21, 22, 23,
  ])
  expect(schedule.beats.filter((b) => !b.countsIn).map((b) => b.at)).toEqual(
    [0, 1, 2, 3].flatMap((p) => [0, 1, 2, 3].map((k) => p * 8 + k)),
  )
  // Only the third pass, pluck it, is plucked.
  expect(new Set(schedule.notes.filter((n) => n.plucked).map((n) => ofTurn(n.noteId).pass))).toEqual(new Set([2]))
})

test('nothing is heard where the sections play themselves', () => {
  const schedule = callerSchedule(steps, reading, { from: 0, to: 10 }, [3], false)
  expect(schedule.notes.every((n) => n.midi === null)).toBe(true)
  expect(schedule.notes.map((n) => n.at)).toEqual(steps.map((s) => s.at))
  expect(schedule.end).toBe(20)
})

test('a turn is told by its pass and step', () => {
  expect(ofTurn(turnId(2, 117))).toEqual({ pass: 2, step: 117 })
})
