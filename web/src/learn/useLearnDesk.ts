import { queryOptions, useQuery, useQueryClient } from '@tanstack/react-query'
import { useEffect, useState } from 'react'
import { answer, api, Refusal } from '../api/client'
import type { components } from '../api/schema'
import type { CheckView, PieceDoc } from '../desk/piece'
import { keep, keepChanged, keptNow, useKept } from '../ui/kept'
import { useStable } from '../ui/useStable'
import { afterSent, withChange, type Draft } from './drafts'
import { isAway } from './queries'

export type LearnDeskView = components['schemas']['LearnDesk']

const AGAIN_MS = 15_000

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

const seenKey = (link: string, work: number, level: number | null) => `learn.${link}.desk.${work}.${level ?? 'set'}`

/** A learner's desk. What was seen last stays on the phone, for when the network is away. */
export function useLearnDesk(link: string, work: number, level: number | null) {
  const [last] = useKept<LearnDeskView>(seenKey(link, work, level))
  const asked = useQuery(learnDesk(link, work, level))
  return { ...asked, data: asked.data ?? (isAway(asked.error) ? (last ?? undefined) : undefined) }
}

/** Keeps a piece at every note: on this phone at once, and with the teacher as soon as the network is there. */
export function useKeepPiece(link: string, desk: LearnDeskView) {
  const { work, level } = desk
  const key = `learn.${link}.draft.${work}.${level}`
  const [draft] = useKept<Draft>(key)
  const queries = useQueryClient()
  const [version, setVersion] = useState(desk.version)
  const [check, setCheck] = useState<CheckView>(desk.check)
  const [away, setAway] = useState(false)
  const [problem, setProblem] = useState<string | null>(null)
  const [sending, setSending] = useState(false)
  const open = desk.state === 'writing' || desk.state === 'givenBack'
  const piece = open ? (draft?.piece ?? desk.piece) : desk.piece

  const send = useStable(async (): Promise<boolean> => {
    const sent = keptNow(key) as Draft | null
    if (!sent || sending || !open) return sent === null
    setSending(true)
    try {
      const kept = await answer(
        api.PUT('/api/learn/{link}/desk/{work}', {
          params: { path: { link, work } },
          body: { level, piece: sent.piece, from: sent.from, anew: sent.anew },
        }),
      )
      setVersion(kept.version)
      setCheck(kept.check)
      setAway(false)
      setProblem(null)
      // What is seen follows before the draft goes, so that nothing jumps back.
      const now = (seen: LearnDeskView | undefined) =>
        seen?.level === level ? { ...seen, piece: sent.piece, version: kept.version, check: kept.check } : seen
      queries.setQueriesData<LearnDeskView>({ queryKey: ['learn-desk', link, work] }, now)
      for (const at of [null, level])
        keepChanged<LearnDeskView>(seenKey(link, work, at), (seen) => now(seen ?? undefined) ?? null)
      keepChanged<Draft>(key, (draft) => afterSent(draft, sent, kept.version))
      return keptNow(key) === null
    } catch (fault) {
      if (isAway(fault)) setAway(true)
      else setProblem(fault instanceof Refusal ? fault.message : String(fault))
      return false
    } finally {
      setSending(false)
    }
  })
  // One after the other; what is written meanwhile goes next.
  useEffect(() => {
    if (draft && !sending && !away && !problem) void send()
  }, [draft, sending, away, problem, send])
  useEffect(() => {
    if (!away) return
    const again = () => void send()
    const timer = setInterval(again, AGAIN_MS)
    window.addEventListener('online', again)
    return () => {
      clearInterval(timer)
      window.removeEventListener('online', again)
    }
  }, [away, send])
  return {
    piece,
    check,
    away,
    problem,
    waits: draft !== null,
    change: (next: PieceDoc, anew: boolean) => {
      setProblem(null)
      keepChanged<Draft>(key, (now) => withChange(now, next, version, anew))
    },
    /** Hands the piece in, when all of it is with the teacher. */
    handIn: async () => {
      if (!(await send()) && keptNow(key) !== null) return
      try {
        await answer(
          api.POST('/api/learn/{link}/desk/{work}/hand-in', { params: { path: { link, work } }, body: { level } }),
        )
        await Promise.all([
          queries.invalidateQueries({ queryKey: ['learn-desk', link, work] }),
          queries.invalidateQueries({ queryKey: ['learn', link] }),
        ])
      } catch (fault) {
        if (isAway(fault)) setAway(true)
        setProblem(fault instanceof Error ? fault.message : String(fault))
      }
    },
  }
}
