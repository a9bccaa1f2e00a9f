import { expect, test } from 'vitest'
import { isSame } from './same'

test('a name, with what the key adds to it', () => {
  expect(isSame({ name: 'F#', bySignature: true }, { name: 'F#' })).toBe(true)
  expect(isSame({ name: 'F#', bySignature: true }, { name: 'F' })).toBe(false)
})

test('a pair', () => {
  const low = { string: 'D', finger: 2, place: 'low' }
  expect(isSame(low, { place: 'low', finger: 2, string: 'D' })).toBe(true)
  expect(isSame(low, { place: 'regular', finger: 2, string: 'D' })).toBe(false)
})

test('nothing in common is not the same', () => {
  expect(isSame({ name: 'F#' }, {})).toBe(false)
  expect(isSame({ name: 'F#' }, { finger: 2 })).toBe(false)
})
