import { expect, test } from 'vitest'
import { pinChange, takenBack } from './usePins'

const pins = [
  { noteId: 'a', string: 2, finger: 0 },
  { noteId: 'b', string: 1, finger: 4 },
]

test('a change says what the note had, so that another window’s is noticed', () =>
  expect(pinChange({ pins }, 'a', { string: 1, finger: 4 })).toEqual({
    noteId: 'a',
    to: { string: 1, finger: 4 },
    was: { string: 2, finger: 0 },
  }))

test('of what a way brings along only string and finger are kept', () =>
  expect(pinChange({ pins: [] }, 'c', { string: 0, finger: 1, label: 'G1' } as never)).toEqual({
    noteId: 'c',
    to: { string: 0, finger: 1 },
    was: null,
  }))

test('without a pair the note is free again', () =>
  expect(pinChange({ pins }, 'b', null)).toEqual({ noteId: 'b', to: null, was: { string: 1, finger: 4 } }))

test('what is taken back is that change alone', () =>
  expect(takenBack({ changes: [pinChange({ pins }, 'a', null)], printed: { to: true, was: false } })).toEqual({
    changes: [{ noteId: 'a', to: { string: 2, finger: 0 }, was: null }],
    printed: { to: false, was: true },
  }))
