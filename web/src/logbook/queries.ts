import { useQuery } from '@tanstack/react-query'
import { answer, api } from '../api/client'
import type { components } from '../api/schema'
import { useChange } from '../api/useChange'
import { firstDayOfWeek } from '../calendar/days'

export type ClassLog = components['schemas']['ClassLogView']
export type LearnerLog = components['schemas']['LearnerLogView']

/** How a class is doing at home. */
export const useLogbook = (id: number) =>
  useQuery({
    queryKey: ['logbook', id],
    queryFn: () =>
      answer(
        api.GET('/api/classes/{class}/logbook', {
          params: { path: { class: id }, query: { firstDay: firstDayOfWeek() } },
        }),
      ),
  })

/** How one learner is doing at home. */
export const useLearnerLog = (id: number, learner: number) =>
  useQuery({
    queryKey: ['learner-log', id, learner],
    queryFn: () =>
      answer(
        api.GET('/api/classes/{class}/learners/{learner}/logbook', {
          params: { path: { class: id, learner }, query: { firstDay: firstDayOfWeek() } },
        }),
      ),
  })

/** Minutes that a learner told on paper. */
export const useAddMinutes = (id: number, learner: number) =>
  useChange<{ day: string; minutes: number }, { key: string }>(
    (body) =>
      answer(
        api.POST('/api/classes/{class}/learners/{learner}/minutes', {
          params: { path: { class: id, learner } },
          body,
        }),
      ),
    'minutes',
  )

export const useTakeMinutesBack = (id: number, learner: number) =>
  useChange<string, unknown>(
    (key) =>
      answer<unknown>(
        api.DELETE('/api/classes/{class}/learners/{learner}/minutes/{key}', {
          params: { path: { class: id, learner, key } },
        }),
      ),
    'minutes',
  )
