import type { CallMoment, Reading, Together } from '../api/client'

type Part = { prefix: string; reading: Reading }

/**
 * The readings of all sections as one, in the ids of the score that has a staff for each; bars and lines are the first
 * one's.
 */
export function mergedReading(
  parts: readonly Part[],
  staves: Pick<Reading, 'musicXml' | 'slots'>,
): Reading | undefined {
  const lead = parts[0]?.reading
  return (
    lead && {
      ...lead,
      ...staves,
      notes: parts.flatMap(({ prefix, reading }) =>
        reading.notes.map((n) => ({ ...n, id: prefix + n.id, tiedIds: n.tiedIds.map((id) => prefix + id) })),
      ),
      bars: lead.bars.map((bar, i) => ({
        ...bar,
        eventIds: parts.flatMap(({ prefix, reading }) => (reading.bars[i]?.eventIds ?? []).map((id) => prefix + id)),
      })),
      counts: [],
      trouble: [],
      travels: [],
      news: null,
    }
  )
}

/** Which notes of all sections belong together. */
export type Moments = {
  /** The moment in which a note of the first section begins, by its id. */
  of: ReadonlyMap<string, CallMoment>
  /**
   * The note of the first section that sounds where a note of any staff begins, by the id that this has in the score of
   * all.
   */
  leadOf: ReadonlyMap<string, string>
}

export function momentsOf(together: Together): Moments {
  const of = new Map<string, CallMoment>()
  const leadOf = new Map<string, string>()
  let lead = ''
  for (const moment of together.lines.flatMap((l) => l.bars.flatMap((b) => b.moments))) {
    lead = moment.sections[0]?.noteId ?? lead
    if (moment.sections[0]?.noteId) of.set(lead, moment)
    moment.sections.forEach(({ noteId }, i) => {
      if (noteId) leadOf.set((together.sections[i]?.prefix ?? '') + noteId, lead)
    })
  }
  return { of, leadOf }
}
