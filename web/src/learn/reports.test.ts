import { expect, test } from 'vitest'
import { isEmpty, withDone, without, withPractice } from './reports'

const minutes = (key: string) => ({ key, at: '2026-09-14T17:05:00+02:00', minutes: 5 })

test('what came while a report was on its way stays', () => {
  const first = withPractice(null, minutes('a'))
  const later = withDone(withPractice(first, minutes('b')), { work: 3, done: true })
  const left = without(later, first)
  expect(left).toEqual({ practice: [minutes('b')], done: [{ work: 3, done: true }], answers: [], notes: [] })
  expect(without(left, left ?? first)).toBeNull()
})

test('of two words about one thing the later counts', () => {
  const done = withDone(withDone(null, { work: 3, done: true }), { work: 3, done: false })
  expect(done.done).toEqual([{ work: 3, done: false }])
  // Taken back while the first word was on its way: the second is still to be sent.
  expect(without(done, withDone(null, { work: 3, done: true }))).toEqual(done)
})

test('nothing is waiting at first', () => {
  expect(isEmpty(null)).toBe(true)
  expect(isEmpty(withPractice(null, minutes('a')))).toBe(false)
})
