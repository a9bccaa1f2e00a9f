import { useEffect, useState } from 'react'
import { keep } from '../offline/kept'
import { BenchSteps } from './benchSteps'
import { docOf, type Bench } from './sheet'

/** Where the bench waits on this machine. */
export const DRAFT = 'bench'

export type Draft = { id: number | null; version: number; doc: ReturnType<typeof docOf> }

/** What was made by the server meets the bench as it is by then. */
type Next = Bench | ((now: Bench) => Bench)

const after = (next: Next) => (typeof next === 'function' ? next : () => next)

/** The sheet on the bench and the steps that led to it. What is on the bench outlives the screen. */
export function useBench(first: Bench, before: Bench | null) {
  const [steps] = useState(() => new BenchSteps(first, before))
  const [bench, show] = useState(steps.bench)
  const { sheet } = steps
  useEffect(() => {
    keep(DRAFT, { id: bench.id, version: bench.version, doc: docOf(bench) } satisfies Draft)
  }, [bench])
  const step = (work: () => void) => {
    work()
    show(steps.bench)
  }
  return {
    bench,
    /** A change of this sheet that can be taken back. */
    change: (next: Next) => step(() => steps.change(sheet, after(next))),
    /** Another sheet in the place of this one, which comes back with undo. */
    lay: (next: Next) => step(() => steps.lay(after(next))),
    /** A change of what this sheet is called or kept as, also when another lies there by then; nothing to take back. */
    note: (what: Partial<Bench>) => step(() => steps.note(sheet, what)),
    undo: steps.canUndo ? () => step(() => steps.undo()) : null,
    redo: steps.canRedo ? () => step(() => steps.redo()) : null,
  }
}
