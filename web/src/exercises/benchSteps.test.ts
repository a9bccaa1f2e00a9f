import { expect, test } from 'vitest'
import { BenchSteps } from './benchSteps'
import { EMPTY, type Bench } from './sheet'

const forAnother = (b: Bench): Bench => ({ ...b, instruments: ['second'] })
const opened: Bench = { ...EMPTY, instruments: ['first'] }

test('undo of a change keeps the heading that was typed after it, and redo too', () => {
  const steps = new BenchSteps(opened, null)
  steps.change(1, forAnother)
  steps.note(1, { heading: 'Tuesday' })
  steps.undo()
  expect(steps.bench).toEqual({ ...opened, heading: 'Tuesday' })
  steps.redo()
  expect(steps.bench).toEqual({ ...forAnother(opened), heading: 'Tuesday' })
})

test('a sheet that was kept is the same kept sheet after undo, not another', () => {
  const steps = new BenchSteps(opened, null)
  steps.change(1, forAnother)
  steps.note(1, { id: 7, version: 3 })
  steps.undo()
  expect(steps.bench).toEqual({ ...opened, id: 7, version: 3 })
})

test('another sheet makes room for the former, with its own heading', () => {
  const steps = new BenchSteps(opened, null)
  steps.note(1, { heading: 'Tuesday' })
  steps.lay(() => opened)
  steps.note(steps.sheet, { heading: 'Friday' })
  expect(steps.bench.heading).toBe('Friday')
  steps.undo()
  expect(steps.bench).toEqual({ ...opened, heading: 'Tuesday' })
})

test('a sheet that is kept while another is laid in its place does not lend it its number', () => {
  const steps = new BenchSteps(opened, null)
  steps.lay(() => opened)
  steps.note(1, { id: 7, version: 1 })
  expect(steps.bench.id).toBeNull()
  steps.undo()
  expect(steps.bench.id).toBe(7)
})

test('what was made for a sheet does not come onto another', () => {
  const steps = new BenchSteps(opened, null)
  steps.lay(() => EMPTY)
  steps.change(1, forAnother)
  expect(steps.bench).toEqual(EMPTY)
})

test('what lay on the bench before comes back as it was', () => {
  const before: Bench = { ...EMPTY, heading: 'Before' }
  const steps = new BenchSteps(opened, before)
  steps.note(1, { heading: 'Now' })
  steps.undo()
  expect(steps.bench).toEqual(before)
  expect(steps.canUndo).toBe(false)
})
