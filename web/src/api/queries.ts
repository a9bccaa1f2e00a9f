import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import {
  answer,
  api,
  type BowEdit,
  type HouseStyle,
  type NamedStyle,
  type Pin,
  type Refusal,
  type ScaleForm,
  type TuneDetail,
} from './client'

export type NewTune = { source: string; title?: string | null; composer?: string | null; printedFor?: string | null }
export type ChangedTune = NewTune & { id: number; version: number }

export const useTunes = (search: string) =>
  useQuery({
    queryKey: ['tunes', search],
    queryFn: () => answer(api.GET('/api/tunes', { params: { query: { search } } })),
    placeholderData: keepPreviousData,
  })

export const useTune = (id: number) =>
  useQuery({ queryKey: ['tune', id], queryFn: () => answer(api.GET('/api/tunes/{id}', { params: { path: { id } } })) })

const readingQuery = (id: number, instrument: string) => ({
  queryKey: ['reading', id, instrument],
  queryFn: () => answer(api.GET('/api/tunes/{id}/reading', { params: { path: { id }, query: { instrument } } })),
  staleTime: 60_000,
})

export const useReading = (id: number, instrument: string) => useQuery(readingQuery(id, instrument))

/** Answers with the reading as it is kept now: from memory, or asked for anew when a change has made that stale. */
export function useFreshReading() {
  const queries = useQueryClient()
  return (id: number, instrument: string) => queries.fetchQuery(readingQuery(id, instrument))
}

/** Fetches a reading ahead of need, so that switching the instrument is instant. */
export function usePrefetchReading() {
  const queries = useQueryClient()
  return (id: number, instrument: string) => queries.prefetchQuery(readingQuery(id, instrument))
}

export const useInstruments = () =>
  useQuery({ queryKey: ['instruments'], queryFn: () => answer(api.GET('/api/instruments')), staleTime: Infinity })

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

/** What the pasted text holds, or what is wrong with it. */
export const useCheck = (source: string) =>
  useQuery({
    queryKey: ['check', source],
    queryFn: () => answer(api.POST('/api/tunes/check', { body: { source } })),
    enabled: source.trim().length > 0,
    placeholderData: (before) => (source.trim() ? before : undefined),
    staleTime: Infinity,
    gcTime: 0,
  })

function useTuneMutation<T, R>(
  call: (input: T) => Promise<R>,
  touched = ['tunes', 'tune', 'reading', 'before', 'bowing'],
) {
  const queries = useQueryClient()
  return useMutation<R, Refusal, T>({
    mutationFn: call,
    onSuccess: () => Promise.all(touched.map((key) => queries.invalidateQueries({ queryKey: [key] }))).then(() => {}),
  })
}

export const useAddTune = () => useTuneMutation<NewTune, TuneDetail>((body) => answer(api.POST('/api/tunes', { body })))

export const useUploadTune = () =>
  useTuneMutation<File, TuneDetail>((file) => {
    const form = new FormData()
    form.append('file', file)
    return answer(
      api.POST('/api/tunes/upload', { body: form as never, bodySerializer: (body) => body as unknown as FormData }),
    )
  })

export const useSaveTune = () =>
  useTuneMutation<ChangedTune, TuneDetail>(({ id, ...body }) =>
    answer(api.PUT('/api/tunes/{id}', { params: { path: { id } }, body })),
  )

const byId = (id: number) => ({ params: { path: { id } } })
export const useDuplicateTune = () =>
  useTuneMutation<number, TuneDetail>((id) => answer(api.POST('/api/tunes/{id}/duplicate', byId(id))))
export const useDeleteTune = () =>
  useTuneMutation<number, unknown>((id) => answer<unknown>(api.DELETE('/api/tunes/{id}', byId(id))))
export const useRestoreTune = () =>
  useTuneMutation<number, unknown>((id) => answer<unknown>(api.POST('/api/tunes/{id}/restore', byId(id))))

export type PinSet = { id: number; instrument: string; pins: Pin[]; usePrinted: boolean }

/** Replaces the teacher's own pairs on a tune for one instrument. */
export const useSetPins = () =>
  useTuneMutation<PinSet, unknown>(
    ({ id, instrument, pins, usePrinted }) =>
      answer<unknown>(
        api.PUT('/api/tunes/{id}/pins/{instrument}', {
          params: { path: { id, instrument } },
          body: { pins, usePrinted },
        }),
      ),
    ['reading', 'before', 'bowing'],
  )

export const useChooseOctave = () =>
  useTuneMutation<{ id: number; instrument: string; octaves: number | null }, unknown>(
    ({ id, instrument, octaves }) =>
      answer<unknown>(
        api.PUT('/api/tunes/{id}/octave/{instrument}', { params: { path: { id, instrument } }, body: { octaves } }),
      ),
    ['reading', 'before', 'bowing'],
  )

const bowingQuery = (id: number, instrument: string) => ({
  queryKey: ['bowing', id, instrument],
  queryFn: () => answer(api.GET('/api/tunes/{id}/bowing', { params: { path: { id }, query: { instrument } } })),
  staleTime: 10_000,
})

export const useBowing = (id: number, instrument: string, wanted: boolean) =>
  useQuery({ ...bowingQuery(id, instrument), enabled: wanted })

/** Answers with the bowing as it is kept now. */
export function useFreshBowing() {
  const queries = useQueryClient()
  return (id: number, instrument: string) => queries.fetchQuery(bowingQuery(id, instrument))
}

/** Replaces all changes of a tune’s bowing. */
export const useSetBowing = () =>
  useTuneMutation<{ id: number; changes: BowEdit[]; refused: BowEdit[] }, unknown>(
    ({ id, changes, refused }) =>
      answer<unknown>(api.PUT('/api/tunes/{id}/bowing', { params: { path: { id } }, body: { changes, refused } })),
    ['reading', 'before', 'bowing'],
  )

/** What to say before each line; the lines begin at these bars. */
export const useBefore = (id: number, instrument: string, starts: readonly number[]) =>
  useQuery({
    queryKey: ['before', id, instrument, starts.join(',')],
    queryFn: () =>
      answer(
        api.POST('/api/tunes/{id}/before', { params: { path: { id } }, body: { instrument, starts: [...starts] } }),
      ),
    enabled: starts.length > 0,
  })

export const useShapes = (
  instrument: string,
  fifths: number,
  form: ScaleForm,
  position: string | null,
  compareFifths: number | null,
) =>
  useQuery({
    queryKey: ['shapes', instrument, fifths, form, position, compareFifths],
    queryFn: () =>
      answer(
        api.GET('/api/shapes/{instrument}', {
          params: {
            path: { instrument },
            query: { fifths, form, position: position ?? undefined, compareFifths: compareFifths ?? undefined },
          },
        }),
      ),
    placeholderData: keepPreviousData,
  })

export const useTaping = (instrument: string, lengthMm: number) =>
  useQuery({
    queryKey: ['taping', instrument, lengthMm],
    queryFn: () =>
      answer(api.GET('/api/taping/{instrument}', { params: { path: { instrument }, query: { lengthMm } } })),
    placeholderData: keepPreviousData,
  })

export const useStyles = () => useQuery({ queryKey: ['styles'], queryFn: () => answer(api.GET('/api/styles')) })

export const useStyleExample = (style: HouseStyle) =>
  useQuery({
    queryKey: ['style-example', style],
    queryFn: () => answer(api.POST('/api/styles/example', { body: style })),
    placeholderData: keepPreviousData,
    staleTime: Infinity,
  })

export const useWordRhythms = () =>
  useQuery({ queryKey: ['words'], queryFn: () => answer(api.GET('/api/styles/words')), staleTime: Infinity })

// A style changes what every screen shows.
const EVERYTHING = ['styles', 'reading', 'before', 'bowing', 'shapes', 'taping', 'instruments', 'place']
export const useAddStyle = () =>
  useTuneMutation<{ name: string; style: HouseStyle }, NamedStyle>(
    (body) => answer(api.POST('/api/styles', { body })),
    EVERYTHING,
  )
export const useSaveStyle = () =>
  useTuneMutation<NamedStyle, NamedStyle>(
    ({ id, name, style }) => answer(api.PUT('/api/styles/{id}', { ...byId(id), body: { name, style } })),
    EVERYTHING,
  )
export const useUseStyle = () =>
  useTuneMutation<number, unknown>((id) => answer<unknown>(api.POST('/api/styles/{id}/current', byId(id))), EVERYTHING)
export const useDeleteStyle = () =>
  useTuneMutation<number, unknown>((id) => answer<unknown>(api.DELETE('/api/styles/{id}', byId(id))), EVERYTHING)
