import { useEffect, useState } from 'react'
import { keep } from '../ui/kept'
import { docOf, EMPTY, type Bench } from './sheet'

/** Where the bench waits on this machine. */
export const DRAFT = 'bench'
const MOST_STEPS = 50

export type Draft = { id: number | null; version: number; doc: ReturnType<typeof docOf> }

/** The sheet on the bench and its earlier states. What is on the bench outlives the screen. */
export function useBench(first: Bench, before: Bench | null) {
  const [states, setStates] = useState<readonly Bench[]>(before ? [before, first] : [first])
  const bench = states.at(-1) ?? EMPTY
  useEffect(() => {
    keep(DRAFT, { id: bench.id, version: bench.version, doc: docOf(bench) } satisfies Draft)
  }, [bench])
  /** A change that can be taken back. What was made by the server meets the bench as it is by then. */
  const change = (next: Bench | ((now: Bench) => Bench)) =>
    setStates((all) => [...all.slice(-MOST_STEPS), typeof next === 'function' ? next(all.at(-1) ?? EMPTY) : next])
  return {
    bench,
    change,
    /** A change of what it is called or kept as; nothing to take back. */
    note: (changed: Partial<Bench>) =>
      setStates((all) => [...all.slice(0, -1), { ...(all.at(-1) ?? EMPTY), ...changed }]),
    undo: states.length > 1 ? () => setStates((all) => (all.length > 1 ? all.slice(0, -1) : all)) : null,
  }
}
