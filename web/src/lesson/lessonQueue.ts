import { Refusal } from '../api/client'
import { alone, History } from '../history/history'
import type { Lesson, LessonDoc } from './queries'

/** What a change of a lesson may touch. */
export type LessonState = { doc: LessonDoc; isTaught: boolean }

/** How a lesson is sent; each answers it as it is kept. */
export type LessonCalls = {
  save: (version: number, doc: LessonDoc, isTaught: boolean) => Promise<Lesson>
  addTune: (version: number, tuneId: number) => Promise<Lesson>
  /** What is kept by now, after a refusal. */
  again: () => Promise<Lesson>
}

/** So long after a try that nobody answered comes the next. */
const PAUSE_MS = 3000

const isUnanswered = (problem: unknown) => problem instanceof Refusal && problem.status === 0

type Step =
  | { does: 'edit'; change: (doc: LessonDoc) => LessonDoc; taught: boolean | undefined }
  | { does: 'undo' }
  | { does: 'redo' }
  | { does: 'addTune'; tuneId: number }

const stateOf = (lesson: Lesson): LessonState => ({
  doc: {
    day: lesson.day,
    minutes: lesson.minutes,
    talkSeconds: lesson.talkSeconds,
    steps: lesson.steps.map((s) => s.step),
    left: lesson.left.map((s) => s.step),
  },
  isTaught: lesson.isTaught,
})

const edited = (now: LessonState, { change, taught }: Step & { does: 'edit' }): LessonState => ({
  doc: change(now.doc),
  isTaught: taught ?? now.isTaught,
})

/** A lesson as it will stand: the words and times of new steps come with the answer. */
function shown(lesson: Lesson, { doc, isTaught }: LessonState): Lesson {
  const views = new Map([...lesson.steps, ...lesson.left].map((v) => [v.step.id, v]))
  const view = (step: LessonDoc['steps'][number]) => ({
    ...(views.get(step.id) ?? { title: step.words ?? '', detail: '', seconds: 0, time: '', starts: 0, bars: '' }),
    step,
  })
  return {
    ...lesson,
    day: doc.day,
    minutes: doc.minutes,
    talkSeconds: doc.talkSeconds,
    steps: doc.steps.map(view),
    left: doc.left.map(view),
    isTaught,
  }
}

/**
 * Changes of a lesson, shown at once and kept one after the other: each starts from what the one before it has left,
 * and an answer that comes late takes nothing off the screen that was changed meanwhile. While nobody answers, as when
 * the network drops, they wait and are tried again.
 * @param now The lesson in view, while nothing waits.
 * @param show Gets the lesson after each step, how many changes are not kept yet, and whether nobody answers.
 * @param tell Says why a change was refused, or that there is nothing to undo.
 */
export function lessonQueue({
  now,
  calls,
  show,
  tell,
  pause = () => new Promise((over) => setTimeout(over, PAUSE_MS)),
}: {
  now: () => Lesson | undefined
  calls: LessonCalls
  show: (lesson: Lesson, waiting: number, isUnanswered: boolean) => void
  tell: (why: string) => void
  pause?: () => Promise<unknown>
}) {
  const history = new History<LessonState>()
  const waiting: Step[] = []
  let kept: Lesson | undefined
  let last = Promise.resolve()
  let unanswered = false

  const showAll = () => {
    if (!kept) return
    // As it will stand: what waits is not in the history yet.
    const soon = history.copy()
    const state = waiting.reduce((state, step) => {
      if (step.does === 'undo') {
        const before = soon.before(state)?.document
        soon.undone()
        return before ?? state
      }
      if (step.does === 'redo') {
        const after = soon.after(state)?.document
        soon.redone()
        return after ?? state
      }
      const next = step.does === 'edit' ? edited(state, step) : state
      soon.made(alone(state), alone(next))
      return next
    }, stateOf(kept))
    show(waiting.length > 0 ? shown(kept, state) : kept, waiting.length, unanswered)
  }
  const run = async (lesson: Lesson, step: Step) => {
    const state = stateOf(lesson)
    const save = (next: LessonState) => calls.save(lesson.version, next.doc, next.isTaught)
    if (step.does === 'undo' || step.does === 'redo') {
      const there = (step.does === 'undo' ? history.before(state) : history.after(state))?.document
      if (!there) {
        tell(`There is nothing to ${step.does} in this lesson.`)
        return lesson
      }
      const answer = await save(there)
      if (step.does === 'undo') history.undone()
      else history.redone()
      return answer
    }
    const answer = await (step.does === 'edit' ? save(edited(state, step)) : calls.addTune(lesson.version, step.tuneId))
    history.made(alone(state), alone(stateOf(answer)))
    return answer
  }
  const runAnswered = async (lesson: Lesson, step: Step): Promise<Lesson> => {
    for (;;) {
      try {
        return await run(lesson, step)
      } catch (problem) {
        if (!isUnanswered(problem)) throw problem
        unanswered = true
        showAll()
        await pause()
      }
    }
  }
  const inTurn = (step: Step) => {
    if (waiting.length === 0) kept = now()
    waiting.push(step)
    showAll()
    last = last.then(async () => {
      try {
        if (kept) kept = await runAnswered(kept, step)
      } catch (problem) {
        tell(problem instanceof Error ? problem.message : String(problem))
        // Another window was quicker, or it cannot be kept: what is kept is shown.
        kept = await calls.again().catch(() => kept)
      }
      waiting.shift()
      unanswered = false
      showAll()
    })
    return last
  }
  return {
    /** @param taught Whether it then was taught; as before where left out. */
    edit: (change: (doc: LessonDoc) => LessonDoc, taught?: boolean) => inTurn({ does: 'edit', change, taught }),
    addTune: (tuneId: number) => inTurn({ does: 'addTune', tuneId }),
    undo: () => inTurn({ does: 'undo' }),
    redo: () => inTurn({ does: 'redo' }),
  }
}
