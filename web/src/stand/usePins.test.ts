import { expect, test } from 'vitest'
import { withPin } from './usePins'

const pins = [
  { noteId: 'a', string: 2, finger: 0 },
  { noteId: 'b', string: 1, finger: 4 },
]

test('a pin takes the place of the note’s own and leaves the others', () =>
  expect(withPin({ pins }, 'a', { string: 1, finger: 4 })).toEqual([
    { noteId: 'b', string: 1, finger: 4 },
    { noteId: 'a', string: 1, finger: 4 },
  ]))

test('of what a way brings along only string and finger are kept', () =>
  expect(withPin({ pins: [] }, 'c', { string: 0, finger: 1, label: 'G1' } as never)).toEqual([
    { noteId: 'c', string: 0, finger: 1 },
  ]))

test('without a pair the note’s pin is gone', () =>
  expect(withPin({ pins }, 'b', null)).toEqual([{ noteId: 'a', string: 2, finger: 0 }]))
