import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { useInstruments } from '../api/instruments'
import { useKept } from '../offline/kept'
import { getSheet, makeFirstSheet, showSheet } from './queries'
import { EMPTY, type Bench } from './sheet'
import { DRAFT, type Draft } from './useBench'
import { LIMITS } from '../api/limits'

/** As the server has it. */

/** The bench opens anew each time: what was asked for an earlier visit is not what lies on it now. */
let visits = 0

/** What the bench opens with: a kept sheet, the first sheet of a tune, or what lay on it last. */
export function useOpenBench(id: number | null, first: { tune: number; instrument: string; title: string } | null) {
  const instruments = useInstruments().data
  const [visit] = useState(() => ++visits)
  const [draft] = useKept<Draft>(DRAFT)
  const usual = instruments?.[0]?.id
  return useQuery({
    // The draft is looked at once, when the bench opens; what changes on it later is the bench’s own.
    queryKey: ['bench', visit, id, first?.tune ?? null, first?.instrument ?? null],
    enabled: usual !== undefined,
    staleTime: Infinity,
    gcTime: 0,
    queryFn: async (): Promise<{ opened: Bench; before: Bench | null }> => {
      const lying = async (of: Draft) => ({ ...of.doc, id: of.id, version: of.version, parts: await showSheet(of.doc) })
      if (id === null && !first)
        return { opened: draft ? await lying(draft) : { ...EMPTY, instruments: usual ? [usual] : [] }, before: null }
      // What lay on the bench makes room, and comes back with Undo.
      const before = draft && draft.doc.parts.length > 0 ? await lying(draft).catch(() => null) : null
      if (id !== null) return { opened: await getSheet(id), before }
      if (!first) return { opened: EMPTY, before }
      const parts = await makeFirstSheet(first.tune, [first.instrument], 1)
      const heading = `First sheet: ${first.title}`.slice(0, LIMITS.longestSheetHeading)
      return { opened: { ...EMPTY, heading, instruments: [first.instrument], parts }, before }
    },
  })
}
