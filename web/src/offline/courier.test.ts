import 'fake-indexeddb/auto'
import { expect, test } from 'vitest'
import { Refusal } from '../api/client'
import { Courier, type InTurn, type Sender } from './courier'
import { Outbox, openShelf, type Bell, type Waiting } from './outbox'

const silent: Bell = { ring: () => undefined, onRing: () => undefined }
const alone: InTurn = (_, work) => work()
let shelves = 0

async function sending(send: Sender['send'], most = 100) {
  const outbox = new Outbox(silent, () => openShelf(`courier ${++shelves}`))
  await outbox.ready
  const courier = new Courier(outbox, 'ada', [{ kinds: ['minutes'], most, send }], alone)
  return { outbox, courier, put: (key: string) => outbox.put('ada', 'minutes', key, () => 5) }
}

const keys = (batch: readonly Waiting[]) => batch.map((w) => w.key)

test('all of a long absence is sent, a parcel at a time', async () => {
  const parcels: number[] = []
  const { outbox, courier, put } = await sending((batch) => {
    parcels.push(batch.length)
    return Promise.resolve({})
  })
  for (let n = 0; n < 620; n++) put(`${n}`)
  await courier.sendNow()
  expect(parcels).toEqual([100, 100, 100, 100, 100, 100, 20])
  expect(outbox.of('ada')).toEqual([])
})

test('where there is no network all stays, and nothing is said to be refused', async () => {
  let asked = 0
  const { outbox, courier, put } = await sending(() => {
    asked++
    return Promise.reject(new Refusal('no answer', 0))
  })
  put('a')
  put('b')
  await courier.sendNow()
  expect([asked, courier.way]).toEqual([1, 'away'])
  expect(outbox.of('ada').map((w) => [w.key, w.refused])).toEqual([
    ['a', null],
    ['b', null],
  ])
})

test('what is refused stands alone, says why, and is not sent again by itself', async () => {
  const taken: string[] = []
  const { outbox, courier, put } = await sending((batch) => {
    if (batch.some((w) => w.key === 'torn')) return Promise.reject(new Refusal('It is torn.', 422))
    taken.push(...keys(batch))
    return Promise.resolve({ refused: new Map(batch.filter((w) => w.key === 'late').map((w) => [w, 'It is late.'])) })
  })
  for (const key of ['a', 'torn', 'b', 'late', 'c']) put(key)
  await courier.sendNow()
  await courier.sendNow()
  expect(taken.toSorted()).toEqual(['a', 'b', 'c', 'late'])
  expect(outbox.of('ada').map((w) => [w.key, w.refused])).toEqual([
    ['torn', 'It is torn.'],
    ['late', 'It is late.'],
  ])
})

test('where Coppia fails over one thing the others are taken, and that one stays to be sent', async () => {
  const { outbox, courier, put } = await sending((batch) =>
    batch.some((w) => w.key === 'b') ? Promise.reject(new Refusal('It failed.', 500)) : Promise.resolve({}),
  )
  for (const key of ['a', 'b', 'c']) put(key)
  await courier.sendNow()
  expect(outbox.of('ada').map((w) => [w.key, w.refused])).toEqual([['b', null]])
})

test('what is put while a parcel is on its way goes with the next', async () => {
  const parcels: string[][] = []
  const held = await sending((batch) => {
    parcels.push(keys(batch))
    if (parcels.length === 1) held.put('b')
    return Promise.resolve({})
  })
  held.put('a')
  await held.courier.sendNow()
  expect(parcels).toEqual([['a'], ['b']])
})
