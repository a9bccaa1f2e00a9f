import { useCallback, useMemo, useState } from 'react'
import type { Reading } from '../api/client'
import { tuneIndex } from './tuneIndex'

const NONE: readonly string[] = []
const NO_LINES: Reading['form']['lines'] = []

/** Where on the tune the stand is: the present note, its line, and the notes that are ringed. */
export function useWalk(reading: Reading | undefined) {
  const [nowId, setNowId] = useState<string | null>(null)
  const [marked, setMarked] = useState(NONE)
  const index = useMemo(() => reading && tuneIndex(reading), [reading])
  const notes = reading?.notes ?? []
  const at = index?.order.get(nowId ?? '') ?? 0
  const now = notes[at]
  const bar = index?.barOf.get(now?.id ?? '') ?? 0
  const line = index?.lineOf[bar] ?? 0
  const lines = reading?.form.lines ?? NO_LINES
  const pick = useCallback((id: string) => {
    setMarked(NONE)
    setNowId(id)
  }, [])
  const go = (index: number) => {
    const id = notes[Math.min(notes.length - 1, Math.max(0, index))]?.id
    if (id) pick(id)
  }
  /** First and last note of some bars. */
  const span = useCallback(
    (first: number, end: number) => {
      const ids = new Set(reading?.bars.slice(first, end).flatMap((b) => b.eventIds))
      const inside = reading?.notes.filter((n) => ids.has(n.id) && !n.isGrace) ?? []
      return inside[0] && { from: inside[0].id, to: inside.at(-1)?.id ?? inside[0].id }
    },
    [reading],
  )
  const goLine = useCallback(
    (to: number) => {
      const target = reading?.form.lines[to]
      const first = target && span(target.firstBar, target.endBar)
      if (first) pick(first.from)
    },
    [reading, span, pick],
  )
  return { index, notes, at, now, bar, line, lines, marked, setMarked, pick, go, goLine, span }
}

export type Walk = ReturnType<typeof useWalk>
