import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/react-query'
import { answer, api, Refusal, type ClassDetail, type ClassSummary, type KnownChange, type Plan } from '../api/client'
import type { components } from '../api/schema'
import { useChange } from '../api/useChange'
import { keep, useKept } from '../offline/kept'
import { CLASS_KEY } from './forClass'

export type NewClass = components['schemas']['ClassRequest']
export type NewLearner = components['schemas']['LearnerRequest']
export type ClassRecord = components['schemas']['ClassFile']
export type LearnerRecord = components['schemas']['LearnerFile']
export type Learning = components['schemas']['LearningView']

const of = (id: number) => ({ params: { path: { class: id } } })

export const useClasses = () =>
  useQuery({ queryKey: ['classes'], queryFn: () => answer(api.GET('/api/classes')), staleTime: 60_000 })

/** The names of all classes, to choose from. */
export const useClassNames = () =>
  useQuery({ queryKey: ['class-names'], queryFn: () => answer(api.GET('/api/classes/names')), staleTime: 60_000 })

/** The class that everything is asked for; null where none is chosen, or the chosen one is gone. */
export function useCurrentClass(): [components['schemas']['ClassName'] | null, (id: number | null) => void] {
  const classes = useClassNames().data
  const [chosen] = useKept<number>(CLASS_KEY)
  const queries = useQueryClient()
  const choose = (id: number | null) => {
    keep(CLASS_KEY, id ?? 0)
    // Nearly everything is otherwise for another class.
    void queries.invalidateQueries()
  }
  return [classes?.find((c) => c.id === chosen) ?? null, choose]
}

/** From here on everything is for this class; nothing is asked anew where it was already. */
export function useForClass(id: number) {
  const [current, choose] = useCurrentClass()
  return () => {
    if (current?.id !== id) choose(id)
  }
}

export const useClass = (id: number) =>
  useQuery({
    queryKey: ['class', id],
    queryFn: () => answer(api.GET('/api/classes/{class}', of(id))),
    // No class is chosen.
    enabled: id > 0,
  })

export const useStages = () =>
  useQuery({ queryKey: ['stages'], queryFn: () => answer(api.GET('/api/classes/stages')), staleTime: Infinity })

/** How a pasted list is understood; while it is typed on, the last answer stands. */
export const useLearnerList = (text: string) =>
  useQuery({
    queryKey: ['learner-list', text],
    queryFn: () => answer(api.POST('/api/classes/read', { body: { text } })),
    enabled: text.trim() !== '',
    placeholderData: text.trim() ? keepPreviousData : undefined,
    staleTime: Infinity,
    gcTime: 0,
  })

export const useAddClass = () =>
  useChange<NewClass, ClassSummary>((body) => answer(api.POST('/api/classes', { body })), 'classes')

export const useSaveClass = () =>
  useChange<Pick<ClassSummary, 'id' | 'version' | 'name' | 'lessonMinutes' | 'styleId'>, ClassSummary>(
    ({ id, ...body }) => answer(api.PUT('/api/classes/{class}', { ...of(id), body })),
    'class',
  )

/** Deletes a class; what it was is answered, to be taken back until the page is left. */
export const useDeleteClass = () =>
  useChange<number, ClassRecord>((id) => answer(api.DELETE('/api/classes/{class}', of(id))), 'classes')

/** Puts a class in with its whole record, as it was saved or just deleted. */
export const useTakeClassIn = () =>
  useChange<ClassRecord | File, ClassSummary>(
    async (record) => answer(api.POST('/api/classes/record', { body: await recordIn(record) })),
    'classes',
  )

/** Puts a learner into a class with their whole record, as it was saved or just deleted. */
export const useTakeLearnerIn = (id: number) =>
  useChange<LearnerRecord | File, unknown>(
    async (record) =>
      answer<unknown>(api.POST('/api/classes/{class}/learners/record', { ...of(id), body: await recordIn(record) })),
    'class',
  )

/** What a saved file holds; whether it is a record is for the server to say. */
async function recordIn<T>(record: T | File): Promise<T> {
  if (!(record instanceof File)) return record
  const text = await record.text()
  try {
    return JSON.parse(text) as T
  } catch {
    throw new Refusal(`“${record.name}” is no record; expected a file that “Save the whole record” made.`, 422)
  }
}

export const useAddLearners = (id: number) =>
  useChange<readonly NewLearner[], unknown>(
    (body) => answer<unknown>(api.POST('/api/classes/{class}/learners', { ...of(id), body: [...body] })),
    'class',
  )

export const useSaveLearner = (id: number) =>
  useChange<ClassDetail['learners'][number], unknown>(
    ({ id: learner, ...body }) =>
      answer<unknown>(
        api.PUT('/api/classes/{class}/learners/{learner}', { params: { path: { class: id, learner } }, body }),
      ),
    'class',
  )

/** Deletes a learner with everything of theirs; what it was is answered, to be taken back until the page is left. */
export const useDeleteLearner = (id: number) =>
  useChange<number, LearnerRecord>(
    (learner) =>
      answer(api.DELETE('/api/classes/{class}/learners/{learner}', { params: { path: { class: id, learner } } })),
    'class',
  )

export const useMoveUp = (id: number) =>
  useChange<{ name: string; learners: number[] }, ClassSummary>(
    (body) => answer(api.POST('/api/classes/{class}/up', { ...of(id), body })),
    'class',
  )

export const useMoveBack = () =>
  useChange<{ from: number; into: number }, unknown>(
    ({ from, into }) =>
      answer<unknown>(api.POST('/api/classes/{class}/back/{into}', { params: { path: { class: from, into } } })),
    'class',
  )

/** Everything that a class may know, and does. */
export const usePlan = (id: number) =>
  useQuery({ queryKey: ['plan', id], queryFn: () => answer(api.GET('/api/classes/{class}/known', of(id))) })

/** Ticks and unticks; the plan that comes back is shown at once. */
export function useTick(id: number) {
  const queries = useQueryClient()
  return useChange<{ add: string[]; remove: string[] }, Plan>(async (body) => {
    const plan = await answer(api.POST('/api/classes/{class}/known', { ...of(id), body }))
    queries.setQueryData(['plan', id], plan)
    return plan
  }, 'ticked')
}

export const useStart = (id: number) =>
  useChange<components['schemas']['Stage'], Plan>(
    (stage) => answer(api.POST('/api/classes/{class}/known/start', { ...of(id), body: { stage } })),
    'known',
  )

/** Takes a change of what a class knows back, or lets it count again. */
export const useTakeBack = (id: number) =>
  useChange<{ change: number; back: boolean }, unknown>(
    ({ change, back }) =>
      answer<unknown>(
        back
          ? api.POST('/api/classes/{class}/known/{change}/back', { params: { path: { class: id, change } } })
          : api.POST('/api/classes/{class}/known/{change}/again', { params: { path: { class: id, change } } }),
      ),
    'known',
  )

/** What a class would come to know by a tune. */
export const useLearning = (id: number, tune: number) =>
  useQuery({
    queryKey: ['learning', id, tune],
    queryFn: () => answer(api.GET('/api/classes/{class}/learned/{tune}', { params: { path: { class: id, tune } } })),
    gcTime: 0,
  })

export const useLearn = (id: number) =>
  useChange<{ tuneId: number; not: string[] }, KnownChange>(
    (body) => answer(api.POST('/api/classes/{class}/learned', { ...of(id), body })),
    'known',
  )

/**
 * Tunes that bring one or two new things to a class, the easiest first; asked again while they are being worked out.
 */
export const useWithinReach = (id: number) =>
  useQuery({
    queryKey: ['within', id],
    queryFn: () =>
      answer(
        api.GET('/api/tunes', {
          params: { query: { reach: 'next', order: 'hard', count: 12 } },
          headers: { 'For-Class': String(id) },
        }),
      ),
    refetchInterval: (query) => (query.state.data?.working ? AGAIN_MS : false),
  })

export const AGAIN_MS = 700

export type Work = components['schemas']['WorkView']
export type NewWork = components['schemas']['WorkRequest']
export type ClassLink = components['schemas']['LinkView']

/** What is set to a class, and who has done it. */
export const useWork = (id: number) =>
  useQuery({ queryKey: ['work', id], queryFn: () => answer(api.GET('/api/classes/{class}/tasks', of(id))) })

export const useSetWork = (id: number) =>
  useChange<NewWork, unknown>(
    (body) => answer<unknown>(api.POST('/api/classes/{class}/tasks', { ...of(id), body })),
    'work',
  )

export const useDeleteWork = (id: number) =>
  useChange<number, unknown>(
    (work) =>
      answer<unknown>(api.DELETE('/api/classes/{class}/tasks/{work}', { params: { path: { class: id, work } } })),
    'work',
  )

export const useSetDone = (id: number) =>
  useChange<{ work: number; learner: number; done: boolean }, unknown>(
    ({ work, learner, done }) =>
      answer<unknown>(
        api.PUT('/api/classes/{class}/tasks/{work}/done/{learner}', {
          params: { path: { class: id, work, learner } },
          body: { done },
        }),
      ),
    'work',
  )

/** The links of a class's learners. */
export const useLinks = (id: number) =>
  useQuery({ queryKey: ['links', id], queryFn: () => answer(api.GET('/api/classes/{class}/links', of(id))) })

export const useRenewLinks = (id: number) =>
  useChange<number[], unknown>(
    (learners) => answer<unknown>(api.POST('/api/classes/{class}/links', { ...of(id), body: { learners } })),
    'links',
  )

export const useEndLink = (id: number) =>
  useChange<number, unknown>(
    (learner) =>
      answer<unknown>(api.DELETE('/api/classes/{class}/links/{learner}', { params: { path: { class: id, learner } } })),
    'links',
  )
