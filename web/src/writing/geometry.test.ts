import { describe, expect, it } from 'vitest'
import { caretX, heightAt, meantAt, yOf, type LineGeometry } from './geometry'

/** Two bars of two notes each; a third bar with nothing in it. */
const note = (bar: number, at: number, middle: number) => ({
  bar,
  at,
  isNote: true,
  left: middle - 6,
  right: middle + 6,
  y: 50,
})
const line: LineGeometry = {
  bottom: 60,
  step: 5,
  bars: [
    { bar: 4, left: 0, right: 100 },
    { bar: 5, left: 100, right: 200 },
    { bar: 6, left: 200, right: 300 },
  ],
  events: [note(4, 0, 30), note(4, 1, 70), note(5, 0, 130), note(5, 1, 170)],
}

describe('a pointer over the staff', () => {
  it('means the nearest line or space', () => {
    expect([60, 57, 40, 20, 66].map((y) => heightAt(line, y))).toEqual([0, 1, 4, 8, -1])
    expect(yOf(line, heightAt(line, 40))).toBe(40)
  })

  it.each([
    [30, 4, 0, true],
    [10, 4, 0, false],
    [50, 4, 1, false],
    [95, 4, 2, false],
    [128, 5, 0, true],
    [250, 6, 0, false],
    [400, 6, 0, false],
    [-20, 4, 0, false],
  ])('at %i means bar %i, place %i, on a note: %s', (x, bar, at, on) => {
    const meant = meantAt(line, x)
    expect([meant?.bar, meant?.at, meant?.on !== null]).toEqual([bar, at, on])
  })
})

describe('the caret', () => {
  it('stands before its note, behind the last one, or in the middle of an empty bar', () => {
    expect(caretX(line, { bar: 4, at: 0 })).toBeLessThan(24)
    expect(caretX(line, { bar: 4, at: 2 })).toBeGreaterThan(76)
    expect(caretX(line, { bar: 6, at: 0 })).toBe(250)
    expect(caretX(line, { bar: 9, at: 0 })).toBeNull()
  })
})
