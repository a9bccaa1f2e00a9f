import { expect, test } from 'vitest'
import { changeQueue } from './changeQueue'

const later = (ms: number) => new Promise((done) => setTimeout(done, ms))

/** A queue over one kept number; each change adds to what is kept when its turn comes. */
function kept() {
  const told: string[] = []
  const store = { value: 0 }
  const queue = changeQueue((text) => told.push(text))
  const add = (n: number, ms = 0) =>
    queue.make(async () => {
      const before = store.value
      await later(ms)
      store.value = before + n
      return async () => {
        await later(ms)
        store.value = before
      }
    })
  return { told, store, queue, add }
}

test('of two quick changes the second starts from what the first has kept', async () => {
  const { store, add } = kept()
  await Promise.all([add(1, 20), add(10)])
  expect(store.value).toBe(11)
})

test('the last change is taken back first, also one that is still on its way', async () => {
  const { store, queue, add } = kept()
  void add(1)
  void add(10, 20)
  await queue.undo()
  expect(store.value).toBe(1)
  await queue.undo()
  expect(store.value).toBe(0)
})

test('a refused change is told, leaves nothing to undo and does not hold up the next', async () => {
  const { told, store, queue, add } = kept()
  void queue.make(() => Promise.reject(new Error('F♯4 cannot be played with 1 on the D string.')))
  await add(5)
  expect([store.value, told]).toEqual([5, ['F♯4 cannot be played with 1 on the D string.']])
  await queue.undo()
  await queue.undo()
  expect([store.value, told.at(-1)]).toEqual([0, 'There is no change of fingers, bows or octave to undo.'])
})

test('a step that changed nothing is not undone', async () => {
  const { store, queue, add } = kept()
  void add(3)
  void queue.make(() => Promise.resolve(null))
  await queue.undo()
  expect(store.value).toBe(0)
})
