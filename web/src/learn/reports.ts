import type { components } from '../api/schema'

export type Report = components['schemas']['LearnReport']
type Practice = components['schemas']['PracticeReport']
type Done = components['schemas']['DoneReport']
type Answer = components['schemas']['AnswerReport']
type Note = components['schemas']['NoteReport']

/** What happened on this phone and was not taken yet, in the order in which it happened. */
export type Waiting = { practice: Practice[]; done: Done[]; answers: Answer[]; notes: Note[] }

export const NOTHING: Waiting = { practice: [], done: [], answers: [], notes: [] }

export const withPractice = (waiting: Waiting | null, practice: Practice): Waiting => ({
  ...NOTHING,
  ...waiting,
  practice: [...(waiting?.practice ?? []), practice],
})

export const withAnswer = (waiting: Waiting | null, answer: Answer): Waiting => ({
  ...NOTHING,
  ...waiting,
  answers: [...(waiting?.answers ?? []), answer],
})

export const withNote = (waiting: Waiting | null, note: Note): Waiting => ({
  ...NOTHING,
  ...waiting,
  notes: [...(waiting?.notes ?? []), note],
})

/** Of two words about one thing the later counts. */
export const withDone = (waiting: Waiting | null, done: Done): Waiting => ({
  ...NOTHING,
  ...waiting,
  done: [...(waiting?.done ?? []).filter((d) => d.work !== done.work), done],
})

/** What is left when a report was taken: what came while it was on its way stays. */
export const without = (waiting: Waiting | null, sent: Waiting): Waiting | null => {
  const left = {
    practice: (waiting?.practice ?? []).filter((p) => !sent.practice.some((s) => s.key === p.key)),
    done: (waiting?.done ?? []).filter((d) => !sent.done.some((s) => s.work === d.work && s.done === d.done)),
    answers: (waiting?.answers ?? []).filter((a) => !sent.answers.some((s) => s.key === a.key)),
    notes: (waiting?.notes ?? []).filter(
      (n) => !((sent.notes as Note[] | undefined) ?? []).some((s) => s.key === n.key),
    ),
  }
  return isEmpty(left) ? null : left
}

export const isEmpty = (waiting: Waiting | null) =>
  !waiting ||
  // What was kept before there were notes has none.
  waiting.practice.length +
    waiting.done.length +
    waiting.answers.length +
    ((waiting.notes as Note[] | undefined) ?? []).length ===
    0

/** A name that no other report of this learner has, on whatever phone. */
export const newKey = (at: string) =>
  `${at}-${Array.from(crypto.getRandomValues(new Uint8Array(6)), (b) => b.toString(16).padStart(2, '0')).join('')}`
