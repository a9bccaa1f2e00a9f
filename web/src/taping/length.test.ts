import { expect, test } from 'vitest'
import { lengthOf } from './length'

test.each([
  ['328', 328],
  ['328.5', 328.5],
  ['328,5', 328.5],
  [' 692 ', 692],
  ['150', 150],
  ['1300', 1300],
  ['0', 0],
  ['1000000000', 1e9],
  ['-1', null],
  ['1e9', null],
  ['3e2', null],
  ['0x148', null],
  ['1,3285', null],
  ['328.5.5', null],
  ['thirty', null],
  ['', null],
  ['328 mm', null],
])('“%s” is %s mm', (typed, length) => expect(lengthOf(typed)).toBe(length))
