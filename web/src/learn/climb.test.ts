import { expect, test } from 'vitest'
import { climbed, mastered, type Climb } from './climb'

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

/** The tempos told along the way. */
const told = (tries: string) => {
  let at: Climb = { rung: 1, clean: 0, failed: 0 }
  return Array.from(tries).flatMap((t) => {
    const next = climbed(at, t === 'c', LADDER)
    const tempo = mastered(at, next, LADDER)
    at = next
    return tempo === null ? [] : [tempo]
  })
}

// What was played clean three times is reached, not the rung that one comes to.
test.each([
  ['cc', []],
  ['ccc', [60]],
  ['cccccc', [60, 66]],
  ['ccccccccc', [60, 66, 72]],
  ['cccccccccccc', [60, 66, 72]],
  ['ffccc', [50]],
])('%s reaches %j', (tries, tempos) => expect(told(tries)).toEqual(tempos))
