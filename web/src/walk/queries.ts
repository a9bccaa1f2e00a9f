import { useQuery, useQueryClient } from '@tanstack/react-query'
import { answer, api, type BowVerdictChange, type PinChanges } from '../api/client'
import { useChange } from '../api/useChange'

/**
 * @param section An instrument, or with the order of its line behind a colon a section that reads a line of its own.
 */
export const readingQuery = (id: number, section: string) => ({
  queryKey: ['reading', id, section] as const,
  queryFn: () => {
    const [instrument = '', line] = section.split(':')
    const query = line === undefined ? { instrument } : { instrument, line: Number(line) }
    return answer(api.GET('/api/tunes/{id}/reading', { params: { path: { id }, query } }))
  },
  enabled: section !== '',
  staleTime: 60_000,
})

export const useReading = (id: number, instrument: string) => useQuery(readingQuery(id, instrument))

/** Answers with the reading as it is kept now: from memory, or asked for anew when a change has made that stale. */
export function useFreshReading() {
  const queries = useQueryClient()
  return (id: number, instrument: string) => queries.query(readingQuery(id, instrument))
}

/** Fetches a reading ahead of need, so that switching the instrument is instant. */
export function usePrefetchReading() {
  const queries = useQueryClient()
  return (id: number, instrument: string) => queries.query(readingQuery(id, instrument)).catch(() => undefined)
}

export const usePlace = (instrument: string, fifths: number, place: { string: number; semitones: number } | null) =>
  useQuery({
    queryKey: ['place', instrument, fifths, place],
    queryFn: () =>
      answer(
        api.GET('/api/instruments/{instrument}/place', {
          params: {
            path: { instrument },
            query: { fifths, string: place?.string ?? 0, semitones: place?.semitones ?? 0 },
          },
        }),
      ),
    enabled: place !== null,
    staleTime: Infinity,
  })

/** Changes some of the teacher's own pairs on a tune for one instrument; the others stay. */
export const useChangePins = () =>
  useChange<{ id: number; instrument: string } & PinChanges, unknown>(
    ({ id, instrument, ...body }) =>
      answer<unknown>(api.PATCH('/api/tunes/{id}/pins/{instrument}', { params: { path: { id, instrument } }, body })),
    'fingering',
  )

export const useChooseOctave = () =>
  useChange<{ id: number; instrument: string; octaves: number | null; was: number | null }, unknown>(
    ({ id, instrument, ...body }) =>
      answer<unknown>(api.PUT('/api/tunes/{id}/octave/{instrument}', { params: { path: { id, instrument } }, body })),
    'fingering',
  )

const bowingQuery = (id: number, instrument: string) => ({
  queryKey: ['bowing', id, instrument] as const,
  queryFn: () => answer(api.GET('/api/tunes/{id}/bowing', { params: { path: { id }, query: { instrument } } })),
  staleTime: 10_000,
})

export const useBowing = (id: number, instrument: string, wanted: boolean) =>
  useQuery({ ...bowingQuery(id, instrument), enabled: wanted && instrument !== '' })

/** Answers with the bowing as it is kept now. */
export function useFreshBowing() {
  const queries = useQueryClient()
  return (id: number, instrument: string) => queries.query(bowingQuery(id, instrument))
}

/** Changes some of a tune’s bowing; the rest stays. */
export const useChangeBowing = () =>
  useChange<{ id: number; instrument: string; changes: BowVerdictChange[] }, unknown>(
    ({ id, ...body }) => answer<unknown>(api.PATCH('/api/tunes/{id}/bowing', { params: { path: { id } }, body })),
    'fingering',
  )

/** What to say before each line; the lines begin at these bars. */
export const useBefore = (id: number, instrument: string, starts: readonly number[]) =>
  useQuery({
    queryKey: ['before', id, instrument, starts.join(',')],
    queryFn: () =>
      answer(
        api.POST('/api/tunes/{id}/before', { params: { path: { id } }, body: { instrument, starts: [...starts] } }),
      ),
    enabled: starts.length > 0 && instrument !== '',
  })
