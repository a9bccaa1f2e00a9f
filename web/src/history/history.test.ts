import { expect, test } from 'vitest'
import { alone, History } from './history'

type Sheet = { title: string; bars: string[][] }
const sheet = (title: string, ...bars: string[][]): Sheet => ({ title, bars })

/** A document with its history, as a screen has them. */
function desk(first: Sheet) {
  const history = new History<Sheet>()
  let now = first
  return {
    now: () => now,
    history,
    make: (next: Sheet) => {
      history.made(alone(now), alone(next))
      now = next
    },
    undo: () => {
      const before = history.before(now)?.document
      if (before) history.undone()
      return (now = before ?? now)
    },
    redo: () => {
      const after = history.after(now)?.document
      if (after) history.redone()
      return (now = after ?? now)
    },
  }
}

test('steps are taken back and made again, as often as they were made', () => {
  const states = [
    sheet('A', ['D3'], []),
    sheet('A', ['D3', 'E3'], []),
    sheet('B', ['D3', 'E3'], ['F#3']),
    sheet('B', ['E3'], ['F#3']),
  ]
  const at = desk(states[0] as Sheet)
  for (const state of states.slice(1)) at.make(state)
  expect([at.undo(), at.undo(), at.undo(), at.undo()]).toEqual([states[2], states[1], states[0], states[0]])
  expect([at.redo(), at.redo(), at.redo(), at.redo()]).toEqual([states[1], states[2], states[3], states[3]])
})

test('another step ends what could be made again', () => {
  const at = desk(sheet('A', ['D3']))
  at.make(sheet('A', ['D3', 'E3']))
  at.undo()
  at.make(sheet('A', ['G3']))
  expect(at.redo()).toEqual(sheet('A', ['G3']))
  expect(at.undo()).toEqual(sheet('A', ['D3']))
})

test('the order of a document’s parts means nothing', () => {
  const at = desk({ title: 'A', bars: [['D3']] })
  at.make({ bars: [['D3', 'E3']], title: 'A' })
  expect(at.undo()).toEqual(sheet('A', ['D3']))
})

test('what another window has put in its place is not written over', () => {
  const at = desk(sheet('A', ['D3']))
  at.make(sheet('A', ['D3', 'E3']))
  expect(at.history.before(sheet('Z', ['C4']))).toBeNull()
  expect(at.history.canUndo).toBe(false)
})

test('a step that changes nothing is none', () => {
  const at = desk(sheet('A', ['D3']))
  at.make(sheet('A', ['D3']))
  expect(at.history.canUndo).toBe(false)
})
