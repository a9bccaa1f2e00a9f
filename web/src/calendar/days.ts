// Days are texts such as 2026-12-04, as the server writes them; which day it is, this machine's calendar says.

/** A moment by this machine's clock with its distance from UTC: 2026-09-14T17:05:00+02:00. */
export function localMoment(at: Date) {
  const two = (n: number) => String(Math.floor(Math.abs(n))).padStart(2, '0')
  const ahead = -at.getTimezoneOffset()
  const day = `${at.getFullYear()}-${two(at.getMonth() + 1)}-${two(at.getDate())}`
  const time = `${two(at.getHours())}:${two(at.getMinutes())}:${two(at.getSeconds())}`
  return `${day}T${time}${ahead < 0 ? '-' : '+'}${two(ahead / 60)}:${two(ahead % 60)}`
}

/** The day of a moment by this machine's calendar. */
export const localDay = (at: Date) => localMoment(at).slice(0, 10)

export const today = () => localDay(new Date())

/** The day so many days from now. */
export function inDays(days: number) {
  const at = new Date()
  at.setDate(at.getDate() + days)
  return localDay(at)
}

/** A day at noon, which no change of the clocks moves into another. */
export const noon = (day: string) => new Date(`${day}T12:00`)

/**
 * All that is read here is English: days and numbers are written as that is done where this machine is, if English is
 * spoken there, else the British way.
 */
const language = () =>
  (typeof navigator === 'undefined' ? [] : navigator.languages).find((l) => /^en\b/i.test(l)) ?? 'en-GB'

const written = (at: Date, how: Intl.DateTimeFormatOptions) => at.toLocaleString(language(), how)

/** "4 Dec 2026" of a moment. */
export const dayOf = (moment: string) => written(new Date(moment), { day: 'numeric', month: 'short', year: 'numeric' })

/** "Thu, 26 Nov 2026, 18:15" of a moment. */
export const momentOf = (moment: string) =>
  written(new Date(moment), {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
    year: 'numeric',
    hour: '2-digit',
    minute: '2-digit',
  })

/** "18:15" of a moment. */
export const timeOf = (moment: string) => written(new Date(moment), { hour: '2-digit', minute: '2-digit' })

/** "Fri, 4 Dec" of a day such as 2026-12-04. */
export const weekdayOf = (day: string) => written(noon(day), { weekday: 'short', day: 'numeric', month: 'short' })

/** "Fri" of a day such as 2026-12-04. */
export const weekdayAlone = (day: string) => written(noon(day), { weekday: 'short' })

/** "4 Dec" of a day such as 2026-12-04. */
export const dayAndMonth = (day: string) => written(noon(day), { day: 'numeric', month: 'short' })

/** "Friday 4 December" of a day such as 2026-12-04. */
export const dayInWords = (day: string) => written(noon(day), { weekday: 'long', day: 'numeric', month: 'long' })

/** "1,240" of a number. */
export const inDigits = (count: number) => count.toLocaleString(language())

/** The day on which a week begins where this machine's people live: sunday, monday … (Unicode CLDR, firstDay). */
export function firstDayOfWeek(language = navigator.language) {
  const locale = new Intl.Locale(language) as Intl.Locale & { getWeekInfo?: () => Week; weekInfo?: Week }
  const first = (locale.getWeekInfo?.() ?? locale.weekInfo)?.firstDay ?? 1
  return (
    (['sunday', 'monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday'] as const)[first % 7] ?? 'monday'
  )
}

type Week = { firstDay: number }
