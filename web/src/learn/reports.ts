import type { QueryClient } from '@tanstack/react-query'
import { useMemo } from 'react'
import { answer, api } from '../api/client'
import type { components } from '../api/schema'
import { localMoment } from '../calendar/days'
import { soon, type Sender } from '../offline/courier'
import { newMark, type Waiting } from '../offline/outbox'
import { isGone } from '../offline/problems'
import { useOutbox } from '../offline/useOutbox'
import { forgetLearner } from './forget'
import { seeWeek } from './queries'

/** What a learner’s page tells, by its kind: what happened at home. */
export type Told = {
  practice: components['schemas']['PracticeReport']
  done: components['schemas']['DoneReport']
  answers: components['schemas']['AnswerReport']
  notes: components['schemas']['NoteReport']
}
type Kind = keyof Told
export const KINDS = ['practice', 'done', 'answers', 'notes'] as const satisfies readonly Kind[]

/** What waits of one kind, in the order in which it happened. */
export const told = <K extends Kind>(waiting: readonly Waiting[], kind: K) =>
  waiting.filter((w) => w.kind === kind).map((w) => w.value as Told[K])

/** A weak network carries a small parcel sooner; a report may hold more. */
const A_PARCEL = 100

/** Brings reports to the teacher. What was taken goes when the week is seen with it: nothing is missing or there twice. */
export const reportSender = (link: string, queries: QueryClient): Sender => ({
  kinds: KINDS,
  most: A_PARCEL,
  send: async (batch) => {
    const body = Object.fromEntries(KINDS.map((kind) => [kind, told(batch, kind)]))
    try {
      const { leftOut } = await answer(
        api.POST('/api/learn/{link}/report', { params: { path: { link } }, body, signal: soon() }),
      )
      const why = new Map(leftOut.map((l) => [l.key, l.why]))
      await seeWeek(link, queries, soon())
      return { refused: new Map(batch.flatMap((w) => (why.has(w.key) ? [[w, why.get(w.key) ?? '']] : []))) }
    } catch (problem) {
      if (!isGone(problem)) throw problem
      await forgetLearner(link, queries)
      return {}
    }
  },
})

/** What a learner tells the teacher from this device; it is kept here until it is there. */
export function useReports() {
  const { waiting, put } = useOutbox()
  return useMemo(() => {
    const now = () => {
      const at = localMoment(new Date())
      return { at, key: `${at}-${newMark()}` }
    }
    return {
      waiting,
      tell: <K extends Exclude<Kind, 'done'>>(kind: K, what: Omit<Told[K], 'key' | 'at'>) => {
        const named = now()
        put(kind, named.key, () => ({ ...named, ...what }))
      },
      /** Of two words about one thing the later counts. */
      tellDone: (work: number, done: boolean) => put('done', `${work}`, () => ({ work, done })),
    }
  }, [waiting, put])
}
