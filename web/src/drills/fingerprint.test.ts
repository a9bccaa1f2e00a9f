import { expect, test } from 'vitest'
import { fingerprint } from './fingerprint'

// Values of 32-bit FNV-1a as its authors publish them: of the empty text, of "a", of "foobar".
test.each([
  ['', '0-811c9dc5'],
  ['a', '1-e40c292c'],
  ['foobar', '6-bf9cf968'],
])('the fingerprint of %j', (text, name) => expect(fingerprint(text)).toBe(name))
