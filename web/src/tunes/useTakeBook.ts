import { useRef, useState } from 'react'
import type { BookTune } from '../api/client'
import { addTunes, useDeleteTunes, useFreshTunes } from './queries'

/** So many tunes go in one request: few enough that one sees it move and that it can be stopped. */
const AT_ONCE = 50

/** Keeps the tunes of a book, some at a time; it can be stopped, and what is kept by then stays. */
export function useTakeBook() {
  const fresh = useFreshTunes()
  const remove = useDeleteTunes()
  const work = useRef<AbortController>(null)
  const [progress, setProgress] = useState<{ done: number; of: number } | null>(null)
  const [refused, setRefused] = useState<string | null>(null)
  const take = async (tunes: readonly BookTune[]) => {
    const { signal } = (work.current = new AbortController())
    setRefused(null)
    const ids: number[] = []
    try {
      for (let i = 0; i < tunes.length && !signal.aborted; i += AT_ONCE) {
        setProgress({ done: i, of: tunes.length })
        ids.push(...(await addTunes(tunes.slice(i, i + AT_ONCE).map(({ source }) => ({ source })))))
      }
    } catch (problem) {
      setRefused(problem instanceof Error ? problem.message : String(problem))
    }
    setProgress(null)
    void fresh()
    return ids
  }
  return {
    take,
    /** Puts what was kept away again. */
    takeBack: (ids: readonly number[]) => remove.mutateAsync(ids),
    progress,
    refused,
    stop: () => work.current?.abort(),
  }
}
