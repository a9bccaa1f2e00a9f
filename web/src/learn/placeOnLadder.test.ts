import { expect, test } from 'vitest'
import { placeOnLadder } from './placeOnLadder'

// The start first; the top rung keeps its three clean times.
const PLACES = [
  { rung: 1, clean: 0, failed: 0 },
  { rung: 1, clean: 1, failed: 0 },
  { rung: 1, clean: 0, failed: 1 },
  { rung: 0, clean: 0, failed: 0 },
  { rung: 2, clean: 0, failed: 0 },
  { rung: 2, clean: 3, failed: 0 },
]

test.each([
  ['whoever never climbed begins at the start', null, 0],
  ['a place is come back to', { rung: 1, clean: 0, failed: 1 }, 2],
  ['the top of a ladder that goes on now keeps its rung', { rung: 1, clean: 3, failed: 0 }, 0],
  ['so does one below the start', { rung: 0, clean: 3, failed: 0 }, 3],
  ['a rung that the ladder has no more begins anew', { rung: 7, clean: 1, failed: 0 }, 0],
])('%s', (_, kept, at) => expect(placeOnLadder(PLACES, kept)).toBe(PLACES[at]))
