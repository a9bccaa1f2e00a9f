import 'fake-indexeddb/auto'
import { expect, test } from 'vitest'
import { Outbox, openShelf, type Bell } from './outbox'

/** Windows of one browser, which hear each other. */
function windows() {
  const ears: (() => void)[] = []
  return (): Bell => {
    let own: (() => void) | undefined
    return {
      ring: () => ears.forEach((hear) => hear !== own && setTimeout(hear)),
      onRing: (hear) => {
        own = hear
        ears.push(hear)
      },
    }
  }
}

let browsers = 0
function browser() {
  const bell = windows()
  const name = `browser ${++browsers}`
  return async () => {
    const outbox = new Outbox(bell(), () => openShelf(name))
    await outbox.ready
    return outbox
  }
}

const heard = () => new Promise((done) => setTimeout(done, 20))
const values = (outbox: Outbox, owner = 'ada') => outbox.of(owner).map((w) => w.value)

test('what was put is known at once, in its order, and to each learner for itself', async () => {
  const outbox = await browser()()
  outbox.put('ada', 'minutes', 'a', () => 5)
  outbox.put('bo', 'minutes', 'a', () => 7)
  outbox.put('ada', 'minutes', 'b', () => 10)
  expect(values(outbox)).toEqual([5, 10])
  expect(values(outbox, 'bo')).toEqual([7])
})

test('it outlives the window', async () => {
  const open = browser()
  const first = await open()
  first.put('ada', 'minutes', 'a', () => 5)
  await first.written()
  expect(values(await open())).toEqual([5])
})

test('two windows that knew the same add to it and lose nothing', async () => {
  const open = browser()
  const [left, right] = [await open(), await open()]
  left.put('ada', 'minutes', 'a', () => 5)
  right.put('ada', 'minutes', 'b', () => 10)
  await Promise.all([left.written(), right.written()])
  await heard()
  for (const window of [left, right]) expect(values(window)).toEqual([5, 10])
})

test('of two words about one thing the later counts, also while the first is on its way', async () => {
  const outbox = await browser()()
  outbox.put('ada', 'done', '3', () => true)
  const sent = outbox.of('ada')
  outbox.put('ada', 'done', '3', () => false)
  for (const word of sent) outbox.taken(word)
  expect(values(outbox)).toEqual([false])
  for (const word of outbox.of('ada')) outbox.taken(word)
  expect(values(outbox)).toEqual([])
})

test('what was written while a piece was on its way goes on from the version that was taken', async () => {
  const outbox = await browser()()
  const piece = (notes: string) => (now?: { from: number }) => ({ from: now?.from ?? 4, notes })
  outbox.put('ada', 'piece', '1', piece('D3'))
  const [sent] = outbox.of('ada')
  outbox.put('ada', 'piece', '1', piece('D3 E3'))
  if (sent) outbox.taken(sent, (value) => ({ ...(value as object), from: 5 }))
  expect(values(outbox)).toEqual([{ from: 5, notes: 'D3 E3' }])
})

test('where the browser has no store it is kept as long as the window is open', async () => {
  const outbox = new Outbox(windows()(), () => Promise.reject(new Error('private')))
  await outbox.ready
  outbox.put('ada', 'minutes', 'a', () => 5)
  await outbox.written()
  expect(values(outbox)).toEqual([5])
})
