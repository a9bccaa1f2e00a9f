import { expect, test } from 'vitest'
import { changeQueue } from './changeQueue'

const later = (ms: number) => new Promise((done) => setTimeout(done, ms))

/**
 * A queue over one kept number; each change adds to what is kept when its turn comes, on one instrument or, as bows
 * are, on all.
 */
function kept() {
  const told: string[] = []
  const shown: string[] = []
  const store = { value: 0 }
  const queue = changeQueue((text) => told.push(text))
  const add = (n: number, { ms = 0, on = 'Violin' }: { ms?: number; on?: string | null } = {}) =>
    queue.make(async () => {
      await later(ms)
      store.value += n
      const takeBack = async () => {
        await later(ms)
        store.value -= n
      }
      return { takeBack, what: `plus ${n}`, on, noteId: `n${n}` }
    })
  const undo = (on = 'Violin') => queue.undo(on, (noteId) => shown.push(noteId))
  return { told, shown, store, queue, add, undo }
}

test('of two quick changes the second starts from what the first has kept', async () => {
  const { store, add } = kept()
  await Promise.all([add(1, { ms: 20 }), add(10)])
  expect(store.value).toBe(11)
})

test('the last change is taken back first, also one that is still on its way, and it is said and shown', async () => {
  const { store, told, shown, add, undo } = kept()
  void add(1)
  void add(10, { ms: 20 })
  await undo()
  expect(store.value).toBe(1)
  await undo()
  expect(store.value).toBe(0)
  expect(told).toEqual(['Undone: plus 10 (violin).', 'Undone: plus 1 (violin).'])
  expect(shown).toEqual(['n10', 'n1'])
})

test('only what the instrument in view shows is undone: its own changes and those of all', async () => {
  const { store, told, add, undo } = kept()
  await add(1, { on: 'Violin' })
  await add(10, { on: null })
  await add(100, { on: 'Viola' })
  await undo('Cello')
  expect([store.value, told.at(-1)]).toEqual([101, 'Undone: plus 10.'])
  await undo('Cello')
  expect([store.value, told.at(-1)]).toEqual([
    101,
    'Nothing was changed for the cello. The last change is for the viola: plus 100.',
  ])
  await undo('Violin')
  expect(store.value).toBe(100)
  await undo('Viola')
  expect(store.value).toBe(0)
})

test('a refused change is told, leaves nothing to undo and does not hold up the next', async () => {
  const { told, store, queue, add, undo } = kept()
  void queue.make(() => Promise.reject(new Error('F♯4 cannot be played with 1 on the D string.')))
  await add(5)
  expect([store.value, told]).toEqual([5, ['F♯4 cannot be played with 1 on the D string.']])
  await undo()
  await undo()
  expect([store.value, told.at(-1)]).toEqual([0, 'There is no change of fingers, bows or octave to undo.'])
})

test('a step that changed nothing is not undone', async () => {
  const { store, queue, add, undo } = kept()
  void add(3)
  void queue.make(() => Promise.resolve(null))
  await undo()
  expect(store.value).toBe(0)
})

test('what was taken back is made again, until something else is changed', async () => {
  const { store, told, queue, add, undo } = kept()
  const redo = (on = 'Violin') => queue.redo(on, () => undefined)
  await add(1)
  await add(10)
  await undo()
  await undo()
  await redo()
  expect([store.value, told.at(-1)]).toEqual([1, 'Made again: plus 1 (violin).'])
  await redo('Cello')
  expect([store.value, told.at(-1)]).toEqual([1, 'There is nothing to make again.'])
  await redo()
  expect(store.value).toBe(11)
  await undo()
  await add(5)
  await redo()
  expect([store.value, told.at(-1)]).toEqual([6, 'There is nothing to make again.'])
})
