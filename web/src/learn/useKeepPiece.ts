import { useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { answer, api } from '../api/client'
import type { PieceDoc } from '../desk'
import { theOutbox, type Waiting } from '../offline/outbox'
import { useOutbox } from '../offline/useOutbox'
import { DRAFT, draftName, withChange, type Draft } from './drafts'
import type { LearnDeskView } from './queries'

/** Keeps a piece at every note: on this phone at once, and with the teacher as soon as the network is there. */
export function useKeepPiece(link: string, desk: LearnDeskView) {
  const { work, level } = desk
  const queries = useQueryClient()
  const { waiting, way, put, sendNow } = useOutbox()
  const [problem, setProblem] = useState<string | null>(null)
  const name = draftName(desk)
  const open = desk.state === 'writing' || desk.state === 'givenBack'
  const mine = (all: readonly Waiting[]) => all.find((w) => w.kind === DRAFT && w.key === name)
  const waits = mine(waiting)
  return {
    piece: open && waits ? (waits.value as Draft).piece : desk.piece,
    check: desk.check,
    away: way === 'away',
    problem: problem ?? waits?.refused ?? null,
    waits: waits !== undefined,
    change: (next: PieceDoc, anew: boolean) => {
      setProblem(null)
      put<Draft>(DRAFT, name, (now) => withChange(now, next, desk, anew))
    },
    /** Hands the piece in, when all of it is with the teacher. */
    handIn: async () => {
      await sendNow()
      if (mine(theOutbox().of(link))) return
      try {
        await answer(
          api.POST('/api/learn/{link}/desk/{work}/hand-in', { params: { path: { link, work } }, body: { level } }),
        )
        await Promise.all([
          queries.invalidateQueries({ queryKey: ['learn-desk', link, work] }),
          queries.invalidateQueries({ queryKey: ['learn', link] }),
        ])
      } catch (fault) {
        setProblem(fault instanceof Error ? fault.message : String(fault))
      }
    },
  }
}
