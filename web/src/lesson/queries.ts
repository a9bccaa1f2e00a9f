import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/react-query'
import { answer, api } from '../api/client'
import type { components } from '../api/schema'
import { askAnew, useChange } from '../api/useChange'

export type Lesson = components['schemas']['LessonView']
export type LessonStep = components['schemas']['StepView']
export type LessonDoc = components['schemas']['LessonDoc']
export type StepDoc = components['schemas']['StepDoc']

const LISTED = 50

const of = (classId: number, id: number) => ({ params: { path: { class: classId, id } } })

/** The lessons of a class, the last day first. */
export const useLessons = (classId: number) =>
  useQuery({
    queryKey: ['lessons', classId],
    queryFn: () =>
      answer(
        api.GET('/api/classes/{class}/lessons', {
          params: { path: { class: classId }, query: { from: 0, count: LISTED } },
        }),
      ),
    enabled: classId > 0,
  })

export const lessonKey = (classId: number, id: number) => ['lesson', classId, id] as const

export const useLesson = (classId: number, id: number) =>
  useQuery({
    queryKey: lessonKey(classId, id),
    queryFn: () => answer(api.GET('/api/classes/{class}/lessons/{id}', of(classId, id))),
    // What was set or learned meanwhile may be said otherwise.
    staleTime: 0,
  })

/** The lesson as a player of one instrument alone is told it. */
export const useLessonAlone = (classId: number, id: number, instrument: string | undefined) =>
  useQuery({
    queryKey: [...lessonKey(classId, id), instrument],
    queryFn: () =>
      answer(
        api.GET('/api/classes/{class}/lessons/{id}', {
          params: { path: { class: classId, id }, query: { instrument } },
        }),
      ),
    enabled: instrument !== undefined,
    // Over another instrument the page stays while its words are on their way.
    placeholderData: keepPreviousData,
    staleTime: 0,
  })

export const usePlanLesson = (classId: number) =>
  useChange<string, Lesson>(
    (day) => answer(api.POST('/api/classes/{class}/lessons', { params: { path: { class: classId } }, body: { day } })),
    'lessons',
  )

export const useDeleteLesson = (classId: number) =>
  useChange<number, unknown>(
    (id) => answer<unknown>(api.DELETE('/api/classes/{class}/lessons/{id}', of(classId, id))),
    'lessons',
  )

export const useRestoreLesson = (classId: number) =>
  useChange<number, unknown>(
    (id) => answer<unknown>(api.POST('/api/classes/{class}/lessons/{id}/restore', of(classId, id))),
    'lessons',
  )

/** Sends changes of a lesson; each answers it as it is kept. */
export function useLessonCalls(classId: number, id: number) {
  const queries = useQueryClient()
  const queryKey = lessonKey(classId, id)
  const listed = (lesson: Lesson) => {
    void askAnew(queries, 'lessons')
    return lesson
  }
  return {
    now: () => queries.getQueryData<Lesson>(queryKey),
    show: (lesson: Lesson) => {
      // An answer to an older question must not come over what is changed.
      void queries.cancelQueries({ queryKey })
      queries.setQueryData(queryKey, lesson)
    },
    again: () => answer(api.GET('/api/classes/{class}/lessons/{id}', of(classId, id))),
    save: (version: number, lesson: LessonDoc, isTaught: boolean) =>
      answer(
        api.PUT('/api/classes/{class}/lessons/{id}', { ...of(classId, id), body: { version, lesson, isTaught } }),
      ).then(listed),
    addTune: (version: number, tuneId: number) =>
      answer(
        api.POST('/api/classes/{class}/lessons/{id}/tunes', { ...of(classId, id), body: { version, tuneId } }),
      ).then(listed),
  }
}

/** The tune of a step; null for none, and for one that is gone. */
export const tuneOf = (lesson: Lesson, { tune }: StepDoc) => (tune == null ? null : (lesson.tunes[tune] ?? null))
