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

const noon = (day: string) => new Date(`${day}T12:00`)

/** The day of a moment, as this machine's people write it. */
export const dayOf = (moment: string) =>
  new Date(moment).toLocaleDateString(undefined, { day: 'numeric', month: 'short', year: 'numeric' })

/** "Fri, Dec 4" of a day such as 2026-12-04. */
export const weekdayOf = (day: string) =>
  noon(day).toLocaleDateString(undefined, { weekday: 'short', day: 'numeric', month: 'short' })

/** "Dec 4" of a day such as 2026-12-04. */
export const dayAndMonth = (day: string) => noon(day).toLocaleDateString(undefined, { day: 'numeric', month: 'short' })

/** "Friday, December 4" of a day such as 2026-12-04. */
export const dayInWords = (day: string) =>
  noon(day).toLocaleDateString(undefined, { weekday: 'long', day: 'numeric', month: 'long' })

/** The day on which a week begins where this machine's people live: sunday, monday … (Unicode CLDR, firstDay). */
export function firstDayOfWeek(language = navigator.language) {
  const locale = new Intl.Locale(language) as Intl.Locale & { getWeekInfo?: () => Week; weekInfo?: Week }
  const first = (locale.getWeekInfo?.() ?? locale.weekInfo)?.firstDay ?? 1
  return (
    (['sunday', 'monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday'] as const)[first % 7] ?? 'monday'
  )
}

type Week = { firstDay: number }
