import { useQueries, useQuery } from '@tanstack/react-query'
import { answer, api, type Reading } from '../api/client'
import { useChange } from '../api/useChange'
import { readingQuery } from '../walk/queries'

/** Keys begin with "reading": what changes a reading changes what is called. */
const together = (what: string, id: number, sections: string) => ['reading', what, id, sections] as const

const asked = (id: number, sections: string) => ({
  params: { path: { id }, query: sections ? { sections } : {} },
})

/** @param sections Names of instruments with commas between; empty for the class's own. */
export const useTogether = (id: number, sections = '') =>
  useQuery({
    queryKey: together('together', id, sections),
    queryFn: () => answer(api.GET('/api/tunes/{id}/together', asked(id, sections))),
    staleTime: 60_000,
  })

/** All sections' staves as one score. */
export const useStaves = (id: number, sections: string, wanted: boolean) =>
  useQuery({
    queryKey: together('staves', id, sections),
    queryFn: () => answer(api.GET('/api/tunes/{id}/staves', asked(id, sections))),
    staleTime: 60_000,
    enabled: wanted,
  })

/** The keys that the sections may play it in, the best first. */
export const useKeyOffers = (id: number, sections: string, wanted: boolean) =>
  useQuery({
    queryKey: together('keys', id, sections),
    queryFn: ({ signal }) => answer(api.GET('/api/tunes/{id}/keys', { ...asked(id, sections), signal })),
    staleTime: 60_000,
    enabled: wanted,
  })

/** Keeps the tune in another key as a tune of its own. */
export const useTakeKey = () =>
  useChange(
    ({ id, fifths }: { id: number; fifths: number }) =>
      answer(api.POST('/api/tunes/{id}/keys', { params: { path: { id } }, body: { fifths } })),
    'tuneInOtherKey',
  )

/** How each of some instruments reads a tune; undefined until all are there. */
export const useReadings = (id: number, instruments: readonly string[]) =>
  useQueries({
    queries: instruments.map((instrument) => readingQuery(id, instrument)),
    combine: (asked) => {
      const data = asked.map((a) => a.data)
      return {
        readings: data.every((d): d is Reading => d !== undefined) ? data : undefined,
        error: asked.find((a) => a.error)?.error ?? null,
        again: () => void Promise.all(asked.filter((a) => a.error).map((a) => a.refetch())),
      }
    },
  })
