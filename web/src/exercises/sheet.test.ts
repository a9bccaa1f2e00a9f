import { expect, test } from 'vitest'
import type { SheetPart } from '../api/client'
import { docOf, EMPTY, moveItem, movePart, numbersOf, pin, pinnedOf, takeOut, withPart, type Bench } from './sheet'

const part = (kind: string, ...ids: string[]): SheetPart => ({
  request: { kind, octaves: 1, seed: 1 },
  name: kind,
  instruction: '',
  asks: 'name',
  isPlayed: false,
  takesRhythm: false,
  takesOctaves: false,
  key: null,
  care: null,
  apart: null,
  items: ids.map((id) => ({ id, pinned: false, each: {} })),
})
const ids = (p: SheetPart | undefined) => p?.items.map((i) => i.id).join('')
const bench = (...parts: SheetPart[]): Bench => ({ ...EMPTY, instruments: ['first'], parts })

test('questions are counted through the sheet', () => {
  expect(numbersOf([part('a', 'x', 'y'), part('b', 'z'), part('c', 'w')])).toEqual([1, 3, 4])
})

test('a question moves within its part and stops at its ends', () => {
  const three = part('a', 'x', 'y', 'z')
  expect(ids(moveItem(three, 1, -1))).toBe('yxz')
  expect(ids(moveItem(three, 1, 1))).toBe('xzy')
  expect(moveItem(three, 0, -1)).toBe(three)
  expect(moveItem(three, 2, 1)).toBe(three)
})

test('parts change places and stop at the ends of the sheet', () => {
  const two = bench(part('a'), part('b'))
  expect(movePart(two, 1, -1).parts.map((p) => p.name)).toEqual(['b', 'a'])
  expect(movePart(two, 1, 1)).toBe(two)
})

test('a pinned question is told with its place, a released one no more', () => {
  const pinned = pin(part('a', 'x', 'y'), 1)
  expect(pinnedOf(pinned).map((p) => [p.at, p.item.id])).toEqual([[1, 'y']])
  expect(pinnedOf(pin(pinned, 1))).toEqual([])
})

test('taking one out leaves the others in their order', () => {
  expect(ids(takeOut(part('a', 'x', 'y', 'z'), 1))).toBe('xz')
})

test('a part put otherwise leaves the other parts alone', () => {
  const two = bench(part('a', 'x'), part('b', 'y'))
  const changed = withPart(two, 0, part('a', 'z'))
  expect(ids(changed.parts[0])).toBe('z')
  expect(changed.parts[1]).toBe(two.parts[1])
})

test('what is kept has questions without pictures', () => {
  const question = { note: 'D4' }
  const made: SheetPart = {
    ...part('a'),
    items: [
      {
        id: 'x',
        pinned: true,
        each: { first: { prompt: '', answer: 'D', copies: 1, music: null, board: null, question } },
      },
    ],
  }
  const doc = docOf({ ...bench(made), heading: 'Friday' })
  expect(doc.heading).toBe('Friday')
  expect(doc.parts[0]?.items).toEqual([{ id: 'x', pinned: true, questions: { first: question } }])
})
