import { queryOptions, useQuery, useQueryClient } from '@tanstack/react-query'
import { useEffect } from 'react'
import { answer, api, Refusal } from '../api/client'
import type { components } from '../api/schema'
import { keep, keepChanged, keptNow, useKept } from '../ui/kept'
import { useStable } from '../ui/useStable'
import { isEmpty, without, type Waiting } from './reports'

export type Learn = components['schemas']['LearnView']
export type LearnCards = components['schemas']['LearnCards']
export type LearnWork = components['schemas']['LearnWork']

/** What a learner sees. What was seen last stays on the phone, for when the network is away. */
export function useLearn(link: string) {
  const [last, keep] = useKept<Learn>(`learn.${link}`)
  const asked = useQuery({
    queryKey: ['learn', link],
    queryFn: async () => {
      try {
        const seen = await answer(api.GET('/api/learn/{link}', { params: { path: { link } } }))
        keep(seen)
        return seen
      } catch (problem) {
        // A link that has ended leaves nothing on the phone.
        if (isGone(problem)) {
          keep(null)
          if ('caches' in window) await caches.delete('learn')
        }
        throw problem
      }
    },
  })
  return { ...asked, data: isGone(asked.error) ? undefined : (asked.data ?? last ?? undefined) }
}

const isGone = (problem: unknown) => problem instanceof Refusal && problem.status === 404

/** Whether there was no answer at all. */
export const isAway = (problem: unknown) =>
  problem instanceof Refusal && (problem.status === 0 || problem.status >= 502)

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

/** After so long what could not be sent is tried again. */
const AGAIN_MS = 20_000

/** Sends what waits on this phone, now and whenever the network comes back; what was taken is forgotten. */
export function useReports(link: string) {
  const key = `learn.${link}.waiting`
  const [waiting] = useKept<Waiting>(key)
  const queries = useQueryClient()
  const send = useStable(async () => {
    const sent = keptNow(key) as Waiting | null
    if (!sent || isEmpty(sent)) return
    let seen: Learn
    try {
      await answer(api.POST('/api/learn/{link}/report', { params: { path: { link } }, body: sent }))
      seen = await answer(api.GET('/api/learn/{link}', { params: { path: { link } } }))
    } catch {
      return // it stays and is sent again; what was taken already counts once
    }
    // At once, so that nothing is missing on the screen or there twice.
    keepChanged<Waiting>(key, (now) => without(now, sent))
    keep(`learn.${link}`, seen)
    queries.setQueryData(['learn', link], seen)
  })
  const some = !isEmpty(waiting)
  useEffect(() => {
    if (!some) return
    void send()
    const again = setInterval(() => void send(), AGAIN_MS)
    const now = () => void send()
    window.addEventListener('online', now)
    return () => {
      clearInterval(again)
      window.removeEventListener('online', now)
    }
  }, [some, waiting, send])
  const add = useStable((change: (now: Waiting | null) => Waiting) => keepChanged<Waiting>(key, change))
  return { waiting, add }
}
