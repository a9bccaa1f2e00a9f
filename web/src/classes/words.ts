import type { ClassSummary } from '../api/client'

/** "3 violins, 1 cello and 1 double bass"; "nobody yet". */
export function sectionsInWords(sections: ClassSummary['sections']) {
  const each = sections.map((s) => `${s.learners} ${s.name.toLowerCase()}${s.learners === 1 ? '' : plural(s.name)}`)
  if (each.length < 2) return each[0] ?? 'nobody yet'
  return `${each.slice(0, -1).join(', ')} and ${each.at(-1)}`
}

const plural = (name: string) => (name.endsWith('s') ? 'es' : 's')
