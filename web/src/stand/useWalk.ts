import { useState } from 'react'
import type { Reading } from '../api/client'

/** Where on the tune the stand is: the present note, its line, and the notes that are ringed. */
export function useWalk(reading: Reading | undefined) {
  const [nowId, setNowId] = useState<string | null>(null)
  const [marked, setMarked] = useState<readonly string[]>([])
  const notes = reading?.notes ?? []
  const at = Math.max(
    0,
    notes.findIndex((n) => n.id === nowId),
  )
  const now = notes[at]
  const barOf = (id: string | undefined) =>
    reading?.bars.findIndex((b) => b.eventIds.includes(id?.replace(/g\d+$/, '') ?? '')) ?? -1
  const bar = Math.max(0, barOf(now?.id))
  const lines = reading?.form.lines ?? []
  const line = Math.max(
    0,
    lines.findIndex((l) => bar >= l.firstBar && bar < l.endBar),
  )
  const pick = (id: string) => {
    setMarked([])
    setNowId(id)
  }
  const go = (index: number) => {
    const id = notes[Math.min(notes.length - 1, Math.max(0, index))]?.id
    if (id) pick(id)
  }
  /** First and last note of some bars. */
  const span = (first: number, end: number) => {
    const ids = new Set(reading?.bars.slice(first, end).flatMap((b) => b.eventIds))
    const inside = notes.filter((n) => ids.has(n.id) && !n.isGrace)
    return inside[0] && { from: inside[0].id, to: inside.at(-1)?.id ?? inside[0].id }
  }
  const goLine = (to: number) => {
    const target = lines[to]
    const first = target && span(target.firstBar, target.endBar)
    if (first) pick(first.from)
  }
  return { notes, at, now, bar, line, lines, marked, setMarked, pick, go, goLine, span }
}
