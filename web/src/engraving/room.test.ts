import { expect, test } from 'vitest'
import type { Engravable } from '../api/client'
import { withRoom, wordsHeight } from './room'

const xml = '<note id="n1"><pitch>D4</pitch></note><note id="r1"><rest/></note><note id="n2"><pitch>E4</pitch></note>'

const reading = (labels: [string, string]) =>
  ({
    bars: [],
    counts: [],
    notes: labels.map((label, i) => ({ id: `n${i + 1}`, bar: 1, label, name: 'D', sign: '0', isGrace: false })),
  }) as unknown as Engravable

const syllables = (text: string) => [...text.matchAll(/<text>(\|+)<\/text>/g)].map((m) => m[1]?.length ?? 0)

test('without rows nothing asks for room', () => expect(withRoom(xml, reading(['D0', 'D1']), [])).toBe(xml))

test('every note keeps room, a rest none', () =>
  expect(syllables(withRoom(xml, reading(['D0', 'D1']), ['pair']))).toHaveLength(2))

test('a long pair keeps more room than a short one', () => {
  const [short] = syllables(withRoom(xml, reading(['D0', 'D1']), ['pair']))
  const [long] = syllables(withRoom(xml, reading(['D-reach 4', 'D1']), ['pair']))
  expect(long).toBeGreaterThan(short ?? 0)
})

test('words that do not fit on one line take the height of more', () => {
  expect(wordsHeight('', 700)).toBe(0)
  const one = wordsHeight('Crossings: A to D in bar 3.', 700)
  expect(one).toBeGreaterThan(0)
  expect(wordsHeight('Crossings: A to D in bar 3. '.repeat(12).trim(), 700) / one).toBeGreaterThanOrEqual(3)
})
