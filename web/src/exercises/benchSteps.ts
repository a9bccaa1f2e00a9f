import { EMPTY, type Bench } from './sheet'

/** The bench through its changes, newest last; each state says which of the sheets that lay there it is. */
export type BenchSteps = readonly { bench: Bench; sheet: number }[]

const MOST_STEPS = 50

export const firstSteps = (opened: Bench, before: Bench | null): BenchSteps => [
  ...(before ? [{ bench: before, sheet: 0 }] : []),
  { bench: opened, sheet: 1 },
]

export const nowOn = (steps: BenchSteps) => steps.at(-1)?.bench ?? EMPTY

/** Which of the sheets that lay there is there now. */
export const sheetOf = (steps: BenchSteps) => steps.at(-1)?.sheet ?? 0

const withNext = (steps: BenchSteps, bench: Bench, sheet: number): BenchSteps => [
  ...steps.slice(-MOST_STEPS),
  { bench, sheet },
]

/** A change of a sheet; where another lies there by then, it comes too late. */
export const changed = (steps: BenchSteps, sheet: number, change: (now: Bench) => Bench): BenchSteps =>
  sheet === sheetOf(steps) ? withNext(steps, change(nowOn(steps)), sheet) : steps

/** Another sheet in the place of this one. */
export const laid = (steps: BenchSteps, next: (now: Bench) => Bench): BenchSteps =>
  withNext(steps, next(nowOn(steps)), sheetOf(steps) + 1)

/** What a sheet is called or kept as holds for its earlier states too: undoing another change does not take it back. */
export const noted = (steps: BenchSteps, sheet: number, note: Partial<Bench>): BenchSteps =>
  steps.map((s) => (s.sheet === sheet ? { ...s, bench: { ...s.bench, ...note } } : s))

export const undone = (steps: BenchSteps): BenchSteps => (steps.length > 1 ? steps.slice(0, -1) : steps)
