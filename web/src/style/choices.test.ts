import { expect, test } from 'vitest'
import type { HouseStyle, StyleSetting } from '../api/client'
import { chosenIn, withChoice } from './choices'

const lowHigh: StyleSetting = {
  key: 'lowHigh',
  label: '',
  about: '',
  instrument: null,
  options: [
    { value: 'letters', label: 'L2' },
    { value: 'words', label: 'low 2' },
  ],
}
const fingers: StyleSetting = { ...lowHigh, key: 'alternatives.rebec', instrument: 'rebec' }
const style = { lowHigh: 'words', alternatives: { gamba: 'frets' } } as unknown as HouseStyle

test('a style answers what it has chosen; what it does not name is the first', () => {
  expect(chosenIn(style, lowHigh)).toBe('words')
  expect(chosenIn(style, fingers)).toBe('letters')
})

test('a choice leaves all others as they are', () => {
  expect(withChoice(style, lowHigh, 'letters')).toEqual({ lowHigh: 'letters', alternatives: { gamba: 'frets' } })
  expect(withChoice(style, fingers, 'words').alternatives).toEqual({ gamba: 'frets', rebec: 'words' })
  expect(style.alternatives).toEqual({ gamba: 'frets' })
})
