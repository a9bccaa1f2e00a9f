import { expect, test } from 'vitest'
import type { Work } from '../classes/queries'
import { shownAtHome } from './steps'

const work = (title: string, due: string, whom: Partial<Work> = {}): Work => ({
  id: 1,
  kind: 'tune',
  title,
  tuneId: 1,
  sheetId: null,
  taskId: null,
  tempo: null,
  instrument: null,
  learnerId: null,
  setOn: '2026-09-07',
  due,
  ladder: null,
  for: [],
  done: [],
  ...whom,
})

const SET = [
  work('much later', '2026-10-19'),
  work('next week', '2026-09-21', { setOn: '2026-09-20' }),
  work('for this lesson', '2026-09-14'),
  work('for the high ones', '2026-09-18', { instrument: 'high' }),
  work('for the low ones', '2026-09-18', { instrument: 'low' }),
  work('for one alone', '2026-09-18', { learnerId: 3 }),
  work('set at the next lesson', '2026-09-28', { setOn: '2026-09-21' }),
]
const titles = (day: string, instrument?: string) => shownAtHome(SET, day, instrument).map((w) => w.title)

test('what is to be practised after a lesson is what was set by its week’s end for later, and nobody’s own work', () => {
  expect(titles('2026-09-14')).toEqual(['for the high ones', 'for the low ones', 'next week', 'much later'])
})

test('a page for one instrument has what is set to all and to its section', () => {
  expect(titles('2026-09-14', 'low')).toEqual(['for the low ones', 'next week', 'much later'])
})

test('what was set at the lesson after it is not of this one', () => {
  expect(titles('2026-09-21')).toEqual(['set at the next lesson', 'much later'])
})
