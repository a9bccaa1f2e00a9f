import { expect, test } from 'vitest'
import { climbed, type Climb } from './climb'

// Craft 22: three clean repeats climb a rung, failing twice goes one down.
const LADDER = { rungs: [50, 60, 66, 72], cleanToClimb: 3, failsToFall: 2 }

const after = (tries: string) =>
  Array.from(tries).reduce<Climb>((at, t) => climbed(at, t === 'c', LADDER), { rung: 1, clean: 0, failed: 0 })

test.each([
  ['cc', 1],
  ['ccc', 2],
  ['cccccc', 3],
  ['cccccccccccc', 3],
  ['ff', 0],
  ['f', 1],
  ['fcf', 1],
  ['ccfccc', 2],
  ['ffff', 0],
  ['cccff', 1],
])('%s', (tries, rung) => expect(after(tries).rung).toBe(rung))
