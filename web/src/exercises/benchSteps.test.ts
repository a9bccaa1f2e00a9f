import { expect, test } from 'vitest'
import { changed, firstSteps, laid, noted, nowOn, undone } from './benchSteps'
import { EMPTY, type Bench } from './sheet'

const forAnother = (b: Bench): Bench => ({ ...b, instruments: ['second'] })
const opened: Bench = { ...EMPTY, instruments: ['first'] }

test('undo of a change keeps the heading that was typed after it', () => {
  const typed = noted(changed(firstSteps(opened, null), 1, forAnother), 1, { heading: 'Tuesday' })
  expect(nowOn(undone(typed))).toEqual({ ...opened, heading: 'Tuesday' })
})

test('a sheet that was kept is the same kept sheet after undo, not another', () => {
  const kept = noted(changed(firstSteps(opened, null), 1, forAnother), 1, { id: 7, version: 3 })
  expect(nowOn(undone(kept))).toEqual({ ...opened, id: 7, version: 3 })
})

test('another sheet makes room for the former, with its own heading', () => {
  const named = noted(firstSteps(opened, null), 1, { heading: 'Tuesday' })
  const other = noted(
    laid(named, () => opened),
    2,
    { heading: 'Friday' },
  )
  expect(nowOn(other).heading).toBe('Friday')
  expect(nowOn(undone(other))).toEqual({ ...opened, heading: 'Tuesday' })
})

test('a sheet that is kept while another is laid in its place does not lend it its number', () => {
  const other = laid(firstSteps(opened, null), () => opened)
  const kept = noted(other, 1, { id: 7, version: 1 })
  expect(nowOn(kept).id).toBeNull()
  expect(nowOn(undone(kept)).id).toBe(7)
})

test('what was made for a sheet does not come onto another', () => {
  const other = laid(firstSteps(opened, null), () => EMPTY)
  expect(nowOn(changed(other, 1, forAnother))).toEqual(EMPTY)
})

test('what lay on the bench before comes back as it was', () => {
  const before: Bench = { ...EMPTY, heading: 'Before' }
  const typed = noted(firstSteps(opened, before), 1, { heading: 'Now' })
  expect(nowOn(undone(typed))).toBe(before)
  expect(undone(undone(typed))).toHaveLength(1)
})

test('so many changes back, and no more', () => {
  let steps = firstSteps({ ...opened, version: 0 }, null)
  for (let n = 1; n <= 60; n++) steps = changed(steps, 1, (b) => ({ ...b, version: n }))
  for (let n = 0; n < 60; n++) steps = undone(steps)
  expect(nowOn(steps).version).toBe(10)
})
