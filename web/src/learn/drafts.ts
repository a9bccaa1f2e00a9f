import type { QueryClient } from '@tanstack/react-query'
import { answer, api } from '../api/client'
import type { PieceDoc } from '../desk'
import { keepChanged } from '../offline/kept'
import { soon, type Sender } from '../offline/courier'
import { seenKey, type LearnDeskView } from './queries'

/** A piece on this device that the server does not have yet. */
export type Draft = {
  work: number
  level: number
  title: string
  piece: PieceDoc
  /** The version that it was begun from. */
  from: number
  /** Much of it was taken away: the former is to stay as a version. */
  anew: boolean
}

export const DRAFT = 'piece'
export const draftName = ({ work, level }: { work: number; level: number }) => `${work}.${level}`

/** The draft after one more change to what is seen. */
export const withChange = (
  draft: Draft | undefined,
  piece: PieceDoc,
  seen: Pick<LearnDeskView, 'work' | 'level' | 'title' | 'version'>,
  anew: boolean,
): Draft => ({
  work: seen.work,
  level: seen.level,
  title: seen.title,
  piece,
  from: draft?.from ?? seen.version,
  anew: anew || (draft?.anew ?? false),
})

/** Brings a piece to the teacher as it is by now. */
export const draftSender = (link: string, queries: QueryClient): Sender => ({
  kinds: [DRAFT],
  most: 1,
  send: async ([waiting]) => {
    if (!waiting) return {}
    const { work, level, piece, from, anew } = waiting.value as Draft
    const kept = await answer(
      api.PUT('/api/learn/{link}/desk/{work}', {
        params: { path: { link, work } },
        body: { level, piece, from, anew },
        signal: soon(),
      }),
    )
    // What is seen follows before the draft goes, so that nothing jumps back.
    const now = (seen: LearnDeskView | undefined) =>
      seen?.level === level ? { ...seen, piece, version: kept.version, check: kept.check } : seen
    queries.setQueriesData<LearnDeskView>({ queryKey: ['learn-desk', link, work] }, now)
    for (const at of [null, level])
      keepChanged<LearnDeskView>(seenKey(link, work, at), (seen) => now(seen ?? undefined) ?? null)
    return { rest: (draft) => ({ ...(draft as Draft), from: kept.version, anew: false }) }
  },
})
