import { keepPreviousData, useInfiniteQuery, useQuery } from '@tanstack/react-query'
import { answer, api, type KeptSheet, type PartRequest, type SheetDoc, type SheetPart } from '../api/client'
import { byId, useChange } from '../api/useChange'

export const useTrainings = () =>
  useQuery({
    queryKey: ['exercise-kinds'],
    queryFn: () => answer(api.GET('/api/exercises/kinds')),
    staleTime: Infinity,
  }).data ?? []

export type Asked = {
  instruments: string[]
  request: PartRequest
  kept?: { at: number; item: SheetDoc['parts'][number]['items'][number] }[]
}

/** Makes a part; nothing is kept by it. */
export const makePart = (asked: Asked): Promise<SheetPart> => answer(api.POST('/api/exercises/part', { body: asked }))

export const makeFirstSheet = (tune: number, instruments: readonly string[], seed: number): Promise<SheetPart[]> =>
  answer(
    api.POST('/api/exercises/first/{tune}', {
      params: { path: { tune }, query: { instruments: instruments.join(','), seed } },
    }),
  )

/** The same sheet for another instrument, and how many questions it has no answer for. */
export const copySheetFor = (
  instrument: string,
  from: string,
  doc: SheetDoc,
): Promise<{ parts: SheetPart[]; leftOut: number }> =>
  answer(api.POST('/api/exercises/for/{instrument}', { params: { path: { instrument }, query: { from } }, body: doc }))

export type FileFormat = 'json' | 'csv' | 'musicXml'

/** A sheet as the text of a file. */
export const sheetAsFile = (format: FileFormat, doc: SheetDoc): Promise<string> =>
  answer(api.POST('/api/exercises/file/{format}', { params: { path: { format } }, body: doc }))

/** The text of a file as a sheet that is not kept yet. */
export const readSheetFile = (text: string): Promise<KeptSheet> =>
  answer(api.POST('/api/exercises/import', { body: { text } }))

/** Keeps music to play as a tune, and answers its id. */
export const keepAsTune = (title: string, kind: string, instrument: string, question: unknown): Promise<number> =>
  answer(api.POST('/api/exercises/tune', { body: { title, kind, instrument, question: question as never } }))

export const showSheet = (doc: SheetDoc): Promise<SheetPart[]> => answer(api.POST('/api/exercises/show', { body: doc }))

const SHEET_PAGE = 50

/**
 * The kept sheets with these words in their heading or kinds, page by page; while others are on their way the last ones
 * stand.
 */
export const useSheets = (search: string) =>
  useInfiniteQuery({
    queryKey: ['sheets', search],
    queryFn: ({ pageParam: from }) =>
      answer(api.GET('/api/sheets', { params: { query: { search, from, count: SHEET_PAGE } } })),
    initialPageParam: 0,
    getNextPageParam: (last, pages) => {
      const shown = pages.length * SHEET_PAGE
      return shown < last.total ? shown : undefined
    },
    placeholderData: keepPreviousData,
  })

export const useDeletedSheets = () =>
  useQuery({ queryKey: ['deleted-sheets'], queryFn: () => answer(api.GET('/api/sheets/deleted')) })

export const getSheet = (id: number): Promise<KeptSheet> => answer(api.GET('/api/sheets/{id}', byId(id)))

export const useKeepSheet = () =>
  useChange<{ id: number | null; version: number; sheet: SheetDoc }, KeptSheet>(
    ({ id, version, sheet }) =>
      id === null
        ? answer(api.POST('/api/sheets', { body: sheet }))
        : answer(api.PUT('/api/sheets/{id}', { ...byId(id), body: { sheet, version } })),
    'sheet',
  )
export const useDuplicateSheet = () =>
  useChange<number, KeptSheet>((id) => answer(api.POST('/api/sheets/{id}/duplicate', byId(id))), 'sheet')
export const useDeleteSheet = () =>
  useChange<number, unknown>((id) => answer<unknown>(api.DELETE('/api/sheets/{id}', byId(id))), 'sheet')
export const useRestoreSheet = () =>
  useChange<number, unknown>((id) => answer<unknown>(api.POST('/api/sheets/{id}/restore', byId(id))), 'sheet')
