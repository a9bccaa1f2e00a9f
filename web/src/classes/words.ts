import type { ClassSummary } from '../api/client'

/** "3 violins, 1 cello and 1 double bass"; "nobody yet". */
export function sectionsInWords(sections: ClassSummary['sections']) {
  const each = sections.map((s) => `${s.learners} ${s.name.toLowerCase()}${s.learners === 1 ? '' : plural(s.name)}`)
  if (each.length < 2) return each[0] ?? 'nobody yet'
  return `${each.slice(0, -1).join(', ')} and ${each.at(-1)}`
}

const plural = (name: string) => (name.endsWith('s') ? 'es' : 's')

/** The day of a moment, as this machine's people write it. */
export const dayOf = (moment: string) =>
  new Date(moment).toLocaleDateString(undefined, { day: 'numeric', month: 'short', year: 'numeric' })

/** "Fri, Dec 4" of a day such as 2026-12-04. */
export const weekdayOf = (day: string) =>
  new Date(`${day}T12:00`).toLocaleDateString(undefined, { weekday: 'short', day: 'numeric', month: 'short' })

/** "Dec 4" of a day such as 2026-12-04. */
export const dayAndMonth = (day: string) =>
  new Date(`${day}T12:00`).toLocaleDateString(undefined, { day: 'numeric', month: 'short' })
