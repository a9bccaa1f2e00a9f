import { useQuery } from '@tanstack/react-query'
import { answer, api } from '../api/client'
import type { components } from '../api/schema'
import { useChange } from '../api/useChange'

export type TaskDoc = components['schemas']['TaskDoc']
export type TaskView = components['schemas']['TaskView']
export type ClassPiece = components['schemas']['ClassPiece']
export type BookletDoc = components['schemas']['BookletDoc']

/** The levels of composing in a key. */
export const useLevels = (key: string) =>
  useQuery({
    queryKey: ['levels', key],
    queryFn: () => answer(api.GET('/api/desk/levels', { params: { query: { key } } })),
    placeholderData: (before) => before,
    staleTime: Infinity,
  })

export const useTask = (id: number | null) =>
  useQuery({
    queryKey: ['task', id],
    queryFn: () => answer(api.GET('/api/desk/tasks/{id}', { params: { path: { id: id ?? 0 } } })),
    enabled: id !== null,
    staleTime: 0,
  })

/** What each player sees of a task that is being made; the last view stays until the next is there. */
export const useLook = (title: string, task: TaskDoc | null) =>
  useQuery({
    queryKey: ['look', task],
    queryFn: () =>
      answer(api.POST('/api/desk/look', { body: { title: title || '–', task: task as TaskDoc, version: null } })),
    enabled: task !== null,
    placeholderData: (before) => before,
    staleTime: Infinity,
    retry: false,
  })

export const useDeletedTasks = () =>
  useQuery({
    queryKey: ['tasks', 'deleted'],
    queryFn: () => answer(api.GET('/api/desk/tasks/deleted', {})),
    staleTime: 0,
  })

export const useSaveTask = () =>
  useChange(
    ({ id, version, title, task }: { id: number | null; version: number | null; title: string; task: TaskDoc }) =>
      id === null
        ? answer(api.POST('/api/desk/tasks', { body: { title, task, version: null } }))
        : answer(api.PUT('/api/desk/tasks/{id}', { params: { path: { id } }, body: { title, task, version } })),
    'task',
  )

export const useDeleteTask = () =>
  useChange((id: number) => answer(api.DELETE('/api/desk/tasks/{id}', { params: { path: { id } } })), 'task')

export const useRestoreTask = () =>
  useChange((id: number) => answer(api.POST('/api/desk/tasks/{id}/restore', { params: { path: { id } } })), 'task')

/** The pieces of a class. */
export const usePieces = (id: number | null) =>
  useQuery({
    queryKey: ['pieces', id],
    queryFn: () => answer(api.GET('/api/classes/{class}/pieces', { params: { path: { class: id ?? 0 } } })),
    enabled: id !== null,
    staleTime: 0,
  })

export const useMovePiece = (id: number) =>
  useChange(
    ({ piece, state }: { piece: number; state: ClassPiece['state'] }) =>
      answer(
        api.PUT('/api/classes/{class}/pieces/{piece}/state', {
          params: { path: { class: id, piece } },
          body: { state },
        }),
      ),
    'piece',
  )

export const useAddRemark = (id: number) =>
  useChange(
    ({ piece, words, bar }: { piece: number; words: string; bar: number | null }) =>
      answer(
        api.POST('/api/classes/{class}/pieces/{piece}/remarks', {
          params: { path: { class: id, piece } },
          body: { words, bar },
        }),
      ),
    'piece',
  )

export const useTakeRemarkBack = (id: number) =>
  useChange(
    ({ piece, remark }: { piece: number; remark: number }) =>
      answer(
        api.DELETE('/api/classes/{class}/pieces/{piece}/remarks/{remark}', {
          params: { path: { class: id, piece, remark } },
        }),
      ),
    'piece',
  )

export const useBringPiece = (id: number) =>
  useChange(
    (body: components['schemas']['BroughtPiece']) =>
      answer(api.POST('/api/classes/{class}/pieces', { params: { path: { class: id } }, body })),
    'broughtPiece',
  )

export const useBooklet = (id: number) =>
  useQuery({
    queryKey: ['booklet', id],
    queryFn: () => answer(api.GET('/api/classes/{class}/booklet', { params: { path: { class: id } } })),
    staleTime: 0,
  })

export const useSaveBooklet = (id: number) =>
  useChange(
    (body: BookletDoc) => answer(api.PUT('/api/classes/{class}/booklet', { params: { path: { class: id } }, body })),
    'booklet',
  )

/** A piece as an instrument reads it. */
export const usePieceReading = (id: number, piece: number, instrument: string | null) =>
  useQuery({
    queryKey: ['piece-reading', id, piece, instrument],
    queryFn: () =>
      answer(
        api.GET('/api/classes/{class}/pieces/{piece}/reading', {
          params: { path: { class: id, piece }, query: instrument === null ? {} : { for: instrument } },
        }),
      ),
    placeholderData: (before) => before,
    staleTime: 10_000,
  })
