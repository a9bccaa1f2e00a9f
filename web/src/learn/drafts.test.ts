import { expect, it } from 'vitest'
import { afterSent, withChange } from './drafts'

const piece = (...notes: string[]) => ({
  bars: [notes.map((note) => ({ note, value: '1/4', hand: null, stem: null }))],
})

it('keeps every change, from the version that the first began at', () => {
  const first = withChange(null, piece('D3'), 4, false)
  const second = withChange(first, piece('D3', 'E3'), 4, false)
  expect(second).toEqual({ piece: piece('D3', 'E3'), from: 4, anew: false })
})

it('forgets what was taken, and goes on with what was written meanwhile', () => {
  const sent = withChange(null, piece('D3'), 4, true)
  expect(afterSent(sent, sent, 5)).toBeNull()
  expect(afterSent(withChange(sent, piece('D3', 'E3'), 4, false), sent, 5)).toEqual({
    piece: piece('D3', 'E3'),
    from: 5,
    anew: false,
  })
})

it('remembers that much was taken away until that is sent', () => {
  const anew = withChange(withChange(null, piece(), 4, true), piece('D3'), 4, false)
  expect(anew.anew).toBe(true)
})
