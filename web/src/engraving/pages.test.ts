import { expect, test } from 'vitest'
import type { Reading } from '../api/client'
import { BarByBar, pageOf } from './pages'

const page = (height: number, ...bars: string[]) =>
  `<svg width="800px" height="${height}px" version="1.1"><g id="s${height}" class="system">${bars.map((b) => `<g id="${b}" class="measure"></g>`).join('')}</g></svg>`

/** Three bars of two notes; a grace note before the third bar; a stroke from the second bar into the third. */
const reading = {
  bars: ['b1', 'b2', 'b3'].map((id) => ({ id, eventIds: [`${id}n1`, `${id}n2`] })),
  notes: ['b1n1', 'b1n2', 'b2n1', 'b2n2', 'b3n1g1', 'b3n1', 'b3n2'].map((id) => ({ id, tiedIds: [] })),
  counts: ['b1n1', 'b2n1', 'b3n1'].map((eventId) => ({ eventId, offset: 0 })),
  trouble: [{ noteId: 'b3n1' }],
  travels: [
    { noteId: 'b1n1', lastId: 'b1n1' },
    { noteId: 'b2n2', lastId: 'b3n1' },
  ],
} as unknown as Reading

const pages = [page(520, 'b1', 'b2'), page(210.5, 'b3')].map(pageOf)
const cut = new BarByBar(reading)

test('pages know their heights before they are drawn', () => expect(pages.map((p) => p.height)).toEqual([520, 210.5]))

test('a page knows its bars line by line', () => {
  const svg =
    '<svg><g id="x" class="system"><g id="a" class="measure"/><g id="b" class="measure"/></g><g id="y" class="system"><g id="c" class="measure"/></g></svg>'
  expect(pageOf(svg).systems).toEqual([['a', 'b'], ['c']])
  expect(pageOf(svg).bars).toEqual(['a', 'b', 'c'])
})

test('every note is on the page of its bar, a grace note on that of its note', () =>
  expect(reading.notes.map((n) => cut.pageWith(n.id, pages))).toEqual([0, 0, 0, 0, 1, 1, 1]))

test('what is not engraved yet, or not of this tune, is on no page', () =>
  expect(['b2n2', 'b3n1', 'b3n1g1', 'b9n1'].map((id) => cut.pageWith(id, pages.slice(0, 1)))).toEqual([0, -1, -1, -1]))

test('each page gets its own part of the reading, and a stroke that goes over is on both', () => {
  const [first, second] = pages.map((p) => cut.on(p))
  expect(first?.bars.map((b) => b.id)).toEqual(['b1', 'b2'])
  expect(first?.notes.map((n) => n.id)).toEqual(['b1n1', 'b1n2', 'b2n1', 'b2n2'])
  expect(second?.notes.map((n) => n.id)).toEqual(['b3n1g1', 'b3n1', 'b3n2'])
  expect(second?.counts.map((c) => c.eventId)).toEqual(['b3n1'])
  expect([first?.trouble?.length, second?.trouble?.length]).toEqual([0, 1])
  expect(first?.travels?.map((t) => t.noteId)).toEqual(['b1n1', 'b2n2'])
  expect(second?.travels?.map((t) => t.noteId)).toEqual(['b2n2'])
})
