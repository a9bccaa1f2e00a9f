import { useQuery } from '@tanstack/react-query'
import { answer, api } from '../api/client'
import type { components } from '../api/schema'

export type ClassLog = components['schemas']['ClassLogView']
export type LearnerLog = components['schemas']['LearnerLogView']

/** How a class is doing at home. */
export const useLogbook = (id: number) =>
  useQuery({
    queryKey: ['logbook', id],
    queryFn: () => answer(api.GET('/api/classes/{class}/logbook', { params: { path: { class: id } } })),
  })

/** How one learner is doing at home. */
export const useLearnerLog = (id: number, learner: number) =>
  useQuery({
    queryKey: ['learner-log', id, learner],
    queryFn: () =>
      answer(api.GET('/api/classes/{class}/learners/{learner}/logbook', { params: { path: { class: id, learner } } })),
  })
