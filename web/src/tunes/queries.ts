import { keepPreviousData, useQueries, useQuery, useQueryClient } from '@tanstack/react-query'
import {
  answer,
  api,
  type LinesForWhom,
  type Reach,
  type ScoreLines,
  type TuneDetail,
  type TuneOrder,
} from '../api/client'
import { askAnew, byId, useChange } from '../api/useChange'

export type NewTune = { source: string; title?: string | null; composer?: string | null; printedFor?: string | null }
export type ChangedTune = NewTune & { id: number; version: number }

/** Which tunes, in which order; what is left empty does not narrow the list. */
export type TuneChoice = { search: string; order: TuneOrder; instrument: string; key: string; reach: Reach | '' }

export const ALL_TUNES: TuneChoice = { search: '', order: 'title', instrument: '', key: '', reach: '' }

/** How many rows are asked for at once. */
export const TUNE_PAGE = 100

const pageQuery = (choice: TuneChoice, page: number) => ({
  queryKey: ['tunes', choice, page] as const,
  queryFn: () =>
    answer(api.GET('/api/tunes', { params: { query: { ...choice, from: page * TUNE_PAGE, count: TUNE_PAGE } } })),
})

/** The first page of the tunes that fit; while another is on its way the last one stands. */
export const useTunes = (choice: TuneChoice) =>
  useQuery({
    ...pageQuery(choice, 0),
    placeholderData: keepPreviousData,
    // How tunes fit the class is worked out bit by bit.
    refetchInterval: (query) => (query.state.data?.working ? WORKING_MS : false),
  })

/** So soon a list that is being worked out is asked for again. */
const WORKING_MS = 700

/** More pages of them, as they come into view. */
export const useTunePages = (choice: TuneChoice, pages: readonly number[]) =>
  useQueries({
    queries: pages.map((page) => pageQuery(choice, page)),
    combine: (asked) => new Map(asked.flatMap(({ data }, i) => (data ? [[pages[i] ?? 0, data.tunes] as const] : []))),
  })

/** The keys that there are tunes in. */
export const useTuneKeys = () =>
  useQuery({ queryKey: ['tunes', 'keys'], queryFn: () => answer(api.GET('/api/tunes/keys')) })

/** @param id The tune; null asks for none. */
export const useTune = (id: number | null) =>
  useQuery({
    queryKey: ['tune', id],
    queryFn: () => answer(api.GET('/api/tunes/{id}', { params: { path: { id: id ?? 0 } } })),
    enabled: id !== null,
  })

/** Tunes that were deleted and can come back, the last first. */
export const useDeletedTunes = () =>
  useQuery({ queryKey: ['deleted-tunes'], queryFn: () => answer(api.GET('/api/tunes/deleted')) })

/**
 * What the pasted text holds, or what is wrong with it. While a text is typed on the last answer stands until the next
 * is there; that of a text from elsewhere never does.
 * @param origin Which text it is that is typed on: a tune's, a file's.
 */
export const useCheck = (source: string, origin: string | number) =>
  useQuery({
    queryKey: ['check', origin, source],
    queryFn: () => answer(api.POST('/api/tunes/check', { body: { source } })),
    enabled: source.trim().length > 0,
    placeholderData: (before, query) => (source.trim() && query?.queryKey[1] === origin ? before : undefined),
    staleTime: Infinity,
    gcTime: 0,
  })

export const useAddTune = () =>
  useChange<NewTune, TuneDetail>((body) => answer(api.POST('/api/tunes', { body })), 'tune')

const formOf = (file: File) => {
  const form = new FormData()
  form.append('file', file)
  return { body: form as never, bodySerializer: (body: unknown) => body as FormData }
}

/** The tunes of a file, listed and not yet taken. */
export const readBook = (file: File) => answer(api.POST('/api/tunes/book', formOf(file)))

/** The tunes of a text. */
export const readBookText = (source: string) => answer(api.POST('/api/tunes/book/text', { body: { source } }))

/**
 * Keeps tunes together: all, or where one cannot be read none. The lists are asked for anew with {@link useFreshTunes}.
 */
export const addTunes = (tunes: readonly NewTune[]) =>
  answer(api.POST('/api/tunes/many', { body: { tunes: [...tunes] } }))

/** Asks for all lists of tunes anew. */
export function useFreshTunes() {
  const queries = useQueryClient()
  return () => askAnew(queries, 'tune')
}
export const useDeleteTunes = () =>
  useChange<readonly number[], unknown>(
    (ids) => answer<unknown>(api.POST('/api/tunes/deleted', { body: [...ids] })),
    'tune',
  )

/** The lines of a tune's score and who reads which. */
export const useLines = (id: number) =>
  useQuery({
    queryKey: ['lines', id],
    queryFn: () => answer(api.GET('/api/tunes/{id}/lines', { params: { path: { id } } })),
  })
/** Changes who reads which line, from what is chosen by the time it is its turn. */
export function useChooseLines(id: number) {
  const queries = useQueryClient()
  return useChange<(chosen: LinesForWhom) => LinesForWhom, unknown>(
    (change) => {
      const lines = queries.getQueryData<ScoreLines>(['lines', id])
      if (!lines) return Promise.resolve(null)
      const body = { ...change(lines.chosen), version: lines.version }
      return answer<unknown>(api.PUT('/api/tunes/{id}/lines', { params: { path: { id } }, body }))
    },
    'lines',
    `lines ${id}`,
  )
}

export const useSaveTune = () =>
  useChange<ChangedTune, TuneDetail>(
    ({ id, ...body }) => answer(api.PUT('/api/tunes/{id}', { params: { path: { id } }, body })),
    'tune',
  )
export const useDuplicateTune = () =>
  useChange<number, TuneDetail>((id) => answer(api.POST('/api/tunes/{id}/duplicate', byId(id))), 'tune')
export const useDeleteTune = () =>
  useChange<number, unknown>((id) => answer<unknown>(api.DELETE('/api/tunes/{id}', byId(id))), 'tune')
export const useRestoreTune = () =>
  useChange<number, unknown>((id) => answer<unknown>(api.POST('/api/tunes/{id}/restore', byId(id))), 'tune')

/** Which line each learner of a class reads, where it is not that of their instrument. */
export const useLearnerLines = (classId: number, tune: number) =>
  useQuery({
    queryKey: ['reading', 'learner-lines', classId, tune],
    queryFn: () =>
      answer(api.GET('/api/classes/{class}/tunes/{tune}/lines', { params: { path: { class: classId, tune } } })),
    enabled: classId > 0,
  })

export const useChooseLearnerLine = (classId: number, tune: number) =>
  useChange<{ learner: number; line: string | null }, unknown>(
    ({ learner, line }) =>
      answer<unknown>(
        api.PUT('/api/classes/{class}/tunes/{tune}/lines/{learner}', {
          params: { path: { class: classId, tune, learner } },
          body: { line },
        }),
      ),
    'learnersLine',
  )
