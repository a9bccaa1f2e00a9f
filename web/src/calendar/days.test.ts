import { expect, test, vi } from 'vitest'
import { dayInWords, firstDayOfWeek, inDays, inDigits, localDay, localMoment, momentOf, today } from './days'

test('a moment bears the distance from UTC of its own place (RFC 3339)', () => {
  const at = new Date(2026, 8, 4, 7, 5, 9)
  expect(localMoment(at)).toMatch(/^2026-09-04T07:05:09[+-]\d\d:\d\d$/)
  expect(new Date(localMoment(at)).getTime()).toBe(at.getTime())
  expect(localDay(at)).toBe('2026-09-04')
})

test('today is the day of this place, also where it is another one in Greenwich', () => {
  vi.useFakeTimers()
  for (const hour of [0, 23]) {
    vi.setSystemTime(new Date(2028, 1, 28, hour, 59))
    expect(today()).toBe('2028-02-28')
    expect(inDays(1)).toBe('2028-02-29')
    expect(inDays(7)).toBe('2028-03-06')
  }
  vi.useRealTimers()
})

test('a week begins as people there have it (Unicode CLDR)', () => {
  expect(firstDayOfWeek('en-GB')).toBe('monday')
  expect(firstDayOfWeek('en-US')).toBe('sunday')
  expect(firstDayOfWeek('ar-EG')).toBe('saturday')
})

// The British forms are those of Unicode CLDR.
test('what is read is English also on a machine of another language', () => {
  for (const [languages, day, count] of [
    [['de-DE', 'de'], 'Friday 4 December', '1,240'],
    [['de-DE', 'en-US'], 'Friday, December 4', '1,240'],
    [['en-GB'], 'Friday 4 December', '1,240'],
  ] as const) {
    vi.stubGlobal('navigator', { languages })
    expect([dayInWords('2026-12-04'), inDigits(1240)]).toEqual([day, count])
  }
  expect(momentOf('2026-11-26T18:15')).toBe('Thu, 26 Nov 2026, 18:15')
  vi.unstubAllGlobals()
})
