import { expect, test } from 'vitest'
import type { Travel } from '../api/client'
import type { Layout } from './layout'
import { strokePieces } from './strokePieces'

/** Two systems from 50 to 450; notes a and b in the first at 100 and 300, c and d in the second at 100 and 300. */
const spot = (x: number, system: number) => ({ x, system, width: 10, top: 0 })
const layout = {
  notes: new Map([
    ['a', spot(100, 0)],
    ['b', spot(300, 0)],
    ['c', spot(100, 1)],
    ['d', spot(300, 1)],
  ]),
  systems: [0, 1].map(() => ({ left: 50, right: 450 })),
} as unknown as Layout
const ids = ['a', 'b', 'c', 'd']
const order = new Map(ids.map((id, i) => [id, i]))
const pieces = (noteId: string, lastId: string) =>
  strokePieces({ noteId, lastId, from: 0, to: 1 } as Travel, ids, order, layout)

test('a stroke of one note ends before the next', () =>
  expect(pieces('a', 'a')).toEqual([{ system: 0, x1: 100, x2: 297, from: 0, to: 1 }]))

test('the last stroke of a system ends at its edge', () =>
  expect(pieces('b', 'b')).toEqual([{ system: 0, x1: 300, x2: 450, from: 0, to: 1 }]))

test('a stroke over the end of a system has half of its way in each', () =>
  expect(pieces('b', 'c')).toEqual([
    { system: 0, x1: 300, x2: 450, from: 0, to: 0.5 },
    { system: 1, x1: 50, x2: 297, from: 0.5, to: 1 },
  ]))

test('of a stroke that goes on on the next page the first half is drawn, and there the second', () => {
  expect(pieces('d', 'elsewhere')).toEqual([{ system: 1, x1: 300, x2: 450, from: 0, to: 0.5 }])
  expect(pieces('elsewhere', 'a')).toEqual([{ system: 0, x1: 50, x2: 297, from: 0.5, to: 1 }])
})

test('a stroke of another page is not drawn', () => expect(pieces('before', 'after')).toEqual([]))
