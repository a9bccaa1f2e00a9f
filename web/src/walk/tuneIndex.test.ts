import { expect, test } from 'vitest'
import type { Reading } from '../api/client'
import { tuneIndex } from './tuneIndex'

/** Two lines of two bars; in bar 2 a rest and then a note with a grace note before it. */
const reading = {
  bars: [
    { id: 'b1', eventIds: ['b1n1'] },
    { id: 'b2', eventIds: ['b2n1', 'b2n2'] },
    { id: 'b3', eventIds: ['b3n1'] },
    { id: 'b4', eventIds: ['b4n1'] },
  ],
  notes: ['b1n1', 'b2n2g1', 'b2n2', 'b3n1', 'b4n1'].map((id) => ({ id })),
  events: ['b1n1', 'b2n1', 'b2n2', 'b3n1', 'b4n1'].map((id) => ({ id })),
  counts: ['b1n1', 'b2n1', 'b2n2', 'b2n2'].map((eventId) => ({ eventId })),
  trouble: [{ noteId: 'b3n1', text: 'D to A' }],
  form: {
    lines: [
      { firstBar: 0, endBar: 2 },
      { firstBar: 2, endBar: 4 },
    ],
  },
} as unknown as Reading

const index = tuneIndex(reading)

test('notes are found by their order, and the bar of each, a grace note in that of its note', () => {
  expect(index.order.get('b2n2')).toBe(2)
  expect(reading.notes.map((n) => index.barOf.get(n.id))).toEqual([0, 1, 1, 2, 3])
  expect(index.barOf.get('b2n1')).toBe(1) // a rest
})

test('bars know their lines', () => expect(index.lineOf).toEqual([0, 0, 1, 1]))

test('each bar has its own notes, rests and counts', () => {
  expect(index.events.map((bar) => bar.map((e) => e.id))).toEqual([['b1n1'], ['b2n1', 'b2n2'], ['b3n1'], ['b4n1']])
  expect(index.counts.map((bar) => bar.length)).toEqual([1, 3, 0, 0])
})

test('a trouble spot is found by its note', () => expect(index.trouble.get('b3n1')?.text).toBe('D to A'))
