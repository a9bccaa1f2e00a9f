import type { LessonDoc, StepDoc } from './queries'

/** A name that no step has yet. */
export const freeId = (doc: LessonDoc) =>
  `s${Math.max(0, ...[...doc.steps, ...doc.left].map((s) => Number(s.id.slice(1)) || 0)) + 1}`

/** A step that the reckoning has nothing to do with: it takes the minutes it is given. */
export const ownStep = (id: string, part: 'own' | 'break', minutes: number, words: string | null): StepDoc => ({
  id,
  part,
  words,
  minutes,
  tune: null,
  fifths: null,
  mode: null,
  meter: null,
  line: null,
  firstBar: 0,
  endBar: 0,
  noteId: null,
  isKnown: false,
  isPinned: false,
  ways: 1,
  repeats: 1,
  beats: 0,
  countIn: 0,
  tempo: 60,
  said: 0,
  reached: null,
  tempoReached: null,
})

export const changed = (id: string, change: Partial<StepDoc>) => (doc: LessonDoc) => ({
  ...doc,
  steps: doc.steps.map((s) => (s.id === id ? { ...s, ...change } : s)),
})

/** The step before another one; at the end where there is none of that name. */
export function moved(id: string, before: string | null) {
  return (doc: LessonDoc): LessonDoc => {
    const step = doc.steps.find((s) => s.id === id)
    if (!step || id === before) return doc
    const rest = doc.steps.filter((s) => s.id !== id)
    const at = before === null ? rest.length : rest.findIndex((s) => s.id === before)
    return { ...doc, steps: rest.toSpliced(at < 0 ? rest.length : at, 0, step) }
  }
}

/** One place earlier or later. */
export function nudged(id: string, by: 1 | -1) {
  return (doc: LessonDoc): LessonDoc => {
    const at = doc.steps.findIndex((s) => s.id === id)
    const to = at + by
    const step = doc.steps[at]
    if (!step || to < 0 || to >= doc.steps.length) return doc
    return { ...doc, steps: doc.steps.toSpliced(at, 1).toSpliced(to, 0, step) }
  }
}

export const leftOut = (ids: readonly string[]) => (doc: LessonDoc) => ({
  ...doc,
  steps: doc.steps.filter((s) => !ids.includes(s.id)),
  left: [...doc.left, ...doc.steps.filter((s) => ids.includes(s.id))],
})

/** Back to the end of the lesson, before what is set for home. */
export const putBack = (id: string) => (doc: LessonDoc) => {
  const step = doc.left.find((s) => s.id === id)
  return step ? { ...added(step)(doc), left: doc.left.filter((s) => s.id !== id) } : doc
}

export const added = (step: StepDoc) => (doc: LessonDoc) => {
  const home = doc.steps.findIndex((s) => s.part === 'home')
  return { ...doc, steps: doc.steps.toSpliced(home < 0 ? doc.steps.length : home, 0, step) }
}

/** A break in the middle of what is played. */
export const withBreak = (doc: LessonDoc) => {
  const lines = doc.steps.flatMap((s, i) => (s.part === 'line' || s.part === 'chunk' || s.part === 'join' ? [i] : []))
  const at = lines[Math.floor(lines.length / 2)] ?? Math.floor(doc.steps.length / 2)
  return { ...doc, steps: doc.steps.toSpliced(at, 0, ownStep(freeId(doc), 'break', 1, null)) }
}

/** Lines that are known, once each way. */
export const fewerRepeats = (ids: readonly string[]) => (doc: LessonDoc) => ({
  ...doc,
  steps: doc.steps.map((s) => (ids.includes(s.id) ? { ...s, repeats: 1 } : s)),
})

/** What is set within a week of a lesson goes home from it; later belongs to the next. */
/** Where a step is done: the page with what it needs; null where nothing is needed. */
export function placeOf(step: StepDoc, tuneId: number | null, classId: number): { to: string; words: string } | null {
  const caller = (bars: string) => ({ to: `/tunes/${tuneId}/caller?tempo=${step.tempo}${bars}`, words: 'Caller' })
  const form = step.mode === 'minor' ? 'naturalMinor' : 'major'
  switch (step.part) {
    case 'tuning':
      return { to: '/tuning', words: 'Tuning' }
    case 'shapes':
      return { to: `/shapes?key=${step.fifths ?? 0}&form=${form}`, words: 'Shapes' }
    case 'scaleHalves':
    case 'scaleQuarters':
    case 'scaleEighths':
    case 'scaleFaster':
      return { to: `/shapes?key=${step.fifths ?? 0}&form=${form}`, words: 'Scale' }
    case 'home':
      return { to: `/classes/${classId}`, words: 'Set work' }
    default:
  }
  if (tuneId === null) return null
  switch (step.part) {
    case 'chunk':
      return { to: `/tunes/${tuneId}/ladders`, words: 'Ladder' }
    case 'line':
      return caller(`&bars=${step.firstBar}-${step.endBar}`)
    case 'join':
    case 'slow':
    case 'atTempo':
      return caller('')
    case 'news':
      return { to: `/exercises?first=${tuneId}`, words: 'Sheet' }
    case 'look':
    case 'review':
      return { to: `/tunes/${tuneId}?for=all`, words: 'Stand' }
    default:
      return null
  }
}
