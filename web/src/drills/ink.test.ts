import { expect, test } from 'vitest'
import { inkOver, widened, type Bitmap } from './ink'

/** A bitmap from rows in which # is set. */
const of = (...rows: string[]): Bitmap => ({
  width: rows[0]?.length ?? 0,
  height: rows.length,
  set: Uint8Array.from(rows.join(''), (c) => (c === '#' ? 1 : 0)),
})

test('what is set grows by the reach to all sides', () =>
  expect(widened(of('.....', '.....', '..#..', '.....', '.....'), 1)).toEqual(
    of('.....', '.###.', '.###.', '.###.', '.....'),
  ))

const BAR = of('..........', '.########.', '..........', '..........', '..........', '..........')

test('ink over the whole model covers it and lies nowhere else', () =>
  expect(inkOver(BAR, BAR, 1)).toEqual({ covered: 100, astray: 0 }))

test('ink over half of the model covers half of it, and a little more by its reach', () =>
  expect(
    inkOver(BAR, of('..........', '.####.....', '..........', '..........', '..........', '..........'), 1),
  ).toEqual({
    covered: 63, // five of eight
    astray: 0,
  }))

test('ink elsewhere is astray', () =>
  expect(
    inkOver(BAR, of('..........', '..........', '..........', '..........', '..........', '.########.'), 1),
  ).toEqual({
    covered: 0,
    astray: 100,
  }))

test('no ink is not astray', () =>
  expect(
    inkOver(BAR, of('..........', '..........', '..........', '..........', '..........', '..........'), 1),
  ).toEqual({
    covered: 0,
    astray: 0,
  }))
