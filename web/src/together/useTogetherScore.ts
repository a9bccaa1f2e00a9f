import { useMemo } from 'react'
import type { Engravable } from '../api/client'
import { useReadings, useStaves, useTogether } from './queries'
import { mergedReading, momentsOf } from './score'

/** Each staff for itself, or all sections' pairs under one. */
export type Paper = 'one' | 'each'

/** A tune as all sections of the class read it. */
export function useTogetherScore(id: number, asked: Paper) {
  const together = useTogether(id)
  const names = useMemo(() => together.data?.sections.map((s) => s.key) ?? [], [together.data])
  const { readings, error, again } = useReadings(id, names)
  // Lines of their own do not go under one staff.
  const paper: Paper = together.data?.isOneLine === false ? 'each' : asked
  const staves = useStaves(id, names.join(','), names.length > 0)
  const lead = readings?.[0]
  const merged = useMemo(
    () =>
      together.data && readings && staves.data
        ? mergedReading(
            readings.map((reading, i) => ({ reading, prefix: together.data.sections[i]?.prefix ?? '' })),
            staves.data,
          )
        : undefined,
    [together.data, readings, staves.data],
  )
  const all = useMemo<Pick<Engravable, 'sections' | 'staves'>>(() => {
    if (!readings || !together.data) return {}
    if (paper === 'each') return { staves: together.data.sections.map((s) => s.name) }
    return {
      sections: readings.map((r, i) => ({
        name: together.data.sections[i]?.name ?? '',
        pairs: new Map(r.notes.map((n) => [n.id, n])),
      })),
    }
  }, [readings, together.data, paper])
  const moments = useMemo(() => together.data && momentsOf(together.data), [together.data])
  return {
    together: together.data,
    readings,
    lead,
    merged,
    /** What is on the paper. */
    shown: paper === 'each' ? merged : lead,
    all,
    paper,
    moments,
    error: together.data && readings ? staves.error : (together.error ?? error),
    again: () => {
      if (together.error) void together.refetch()
      if (staves.error) void staves.refetch()
      again()
    },
  }
}

export type TogetherScore = ReturnType<typeof useTogetherScore>
