import { queryOptions, useQuery, useQueryClient, type QueryClient } from '@tanstack/react-query'
import { useEffect } from 'react'
import { answer, api } from '../api/client'
import type { components } from '../api/schema'
import { keep, useKept } from '../offline/kept'
import { isAway, isGone } from '../offline/problems'
import { forgetLearner } from './forget'

export type Learn = components['schemas']['LearnView']
export type LearnCards = components['schemas']['LearnCards']
export type LearnWork = components['schemas']['LearnWork']
export type LearnDeskView = components['schemas']['LearnDesk']

/** Asks for the week, and keeps what was seen last, for when the network is away. */
async function week(link: string, signal?: AbortSignal) {
  const seen = await answer(api.GET('/api/learn/{link}', { params: { path: { link } }, ...(signal && { signal }) }))
  keep(`learn.${link}`, seen)
  return seen
}

/** Sees the week anew at once. */
export const seeWeek = async (link: string, queries: QueryClient, signal: AbortSignal) =>
  queries.setQueryData(['learn', link], await week(link, signal))

/** What a learner sees. What was seen last stays on the phone, for when the network is away. */
export function useLearn(link: string) {
  const [last] = useKept<Learn>(`learn.${link}`)
  const queries = useQueryClient()
  const asked = useQuery({
    queryKey: ['learn', link],
    queryFn: async () => {
      try {
        return await week(link)
      } catch (problem) {
        // A link that has ended leaves nothing on the phone.
        if (isGone(problem)) await forgetLearner(link, queries)
        throw problem
      }
    },
  })
  // Another window has seen the week since.
  useEffect(() => {
    if (last) queries.setQueryData<Learn>(['learn', link], (now) => now && last)
  }, [last, link, queries])
  return { ...asked, data: isGone(asked.error) ? undefined : (asked.data ?? last ?? undefined) }
}

/** A tune that is set. */
export const learnTune = (link: string, tune: number) =>
  queryOptions({
    queryKey: ['learn-tune', link, tune],
    queryFn: () => answer(api.GET('/api/learn/{link}/tunes/{tune}', { params: { path: { link, tune } } })),
    staleTime: 60_000,
  })

/** The trouble spots of a tune that is set. */
export const learnLadders = (link: string, tune: number) =>
  queryOptions({
    queryKey: ['learn-ladders', link, tune],
    queryFn: () => answer(api.GET('/api/learn/{link}/tunes/{tune}/ladders', { params: { path: { link, tune } } })),
    staleTime: 60_000,
  })

/** The questions of a sheet that is set. */
export const learnSheet = (link: string, sheet: number) =>
  queryOptions({
    queryKey: ['learn-sheet', link, sheet],
    queryFn: () => answer(api.GET('/api/learn/{link}/sheets/{sheet}', { params: { path: { link, sheet } } })),
    staleTime: 60_000,
  })

/** The round of cards that is due; while the network is away, the last one. */
export function useLearnCards(link: string, day: string, round: number) {
  const [last, keep] = useKept<LearnCards>(`learn.${link}.cards`)
  const asked = useQuery({
    queryKey: ['learn-cards', link, day, round],
    queryFn: async () => {
      const cards = await answer(api.GET('/api/learn/{link}/cards', { params: { path: { link }, query: { day } } }))
      keep(cards)
      return cards
    },
    staleTime: Infinity,
  })
  return { ...asked, data: asked.data ?? (isAway(asked.error) ? (last ?? undefined) : undefined) }
}

export const learnDesk = (link: string, work: number, level: number | null) =>
  queryOptions({
    queryKey: ['learn-desk', link, work, level],
    queryFn: async () => {
      const seen = await answer(
        api.GET('/api/learn/{link}/desk/{work}', {
          params: { path: { link, work }, query: level === null ? {} : { level } },
        }),
      )
      keep(seenKey(link, work, level), seen)
      return seen
    },
    staleTime: 5_000,
  })

export const seenKey = (link: string, work: number, level: number | null) =>
  `learn.${link}.desk.${work}.${level ?? 'set'}`

/** A learner's desk. What was seen last stays on the phone, for when the network is away. */
export function useLearnDesk(link: string, work: number, level: number | null) {
  const [last] = useKept<LearnDeskView>(seenKey(link, work, level))
  const asked = useQuery(learnDesk(link, work, level))
  return { ...asked, data: asked.data ?? (isAway(asked.error) ? (last ?? undefined) : undefined) }
}
