import type { WritingCommand, WritingState, WritingView } from '../api/client'
import { History, type Stood } from '../history/history'

/** Asks for the staff after a step from a state; without a command for the staff as the state has it. */
export type Send = (state: WritingState, command?: WritingCommand) => Promise<WritingView>

const stoodAt = ({ doc, ...where }: WritingState) => ({ document: doc, where })

/** What a queue of steps works with. */
export type Hands = {
  send: Send
  /** Gets the staff after each step, and how many steps still wait. */
  show: (view: WritingView, waiting: number) => void
  /** Says why a step was refused, or what it had to leave out. */
  tell: (why: string) => void
}

/**
 * Steps on the writing staff, one after the other: each starts from what the one before it has given, so that no key
 * press is lost however quick they come. To undo is to go back to a state that was.
 */
export function writingQueue(first: WritingView, begunWith: Hands) {
  let view = first
  let { send, show, tell } = begunWith
  let waiting = 0
  let last = Promise.resolve()
  const history = new History<string, Omit<WritingState, 'doc'>>()
  /** The score as the history knows it: one that is gone back to may come back put down in other words. */
  let { doc } = first.state
  const inTurn = (step: () => Promise<WritingView | null>) => {
    waiting++
    last = last
      .then(step)
      .catch((problem: unknown) => {
        tell(problem instanceof Error ? problem.message : String(problem))
        return null
      })
      .then((next) => {
        waiting--
        view = next ?? view
        show(view, waiting)
      })
    return last
  }
  const goTo = (
    there: (now: string) => Stood<string, Omit<WritingState, 'doc'>> | null,
    gone: () => void,
    nothing: string,
  ) =>
    inTurn(async () => {
      const stood = there(doc)
      if (!stood) {
        tell(nothing)
        return null
      }
      const next = await send({ ...stood.where, doc: stood.document })
      gone()
      doc = stood.document
      return next
    })
  return {
    step: (command: WritingCommand) =>
      inTurn(async () => {
        const next = await send(view.state, command)
        if (next.leftOut) tell(next.leftOut)
        if (next.state.doc !== view.state.doc) {
          history.made({ ...stoodAt(view.state), document: doc }, stoodAt(next.state))
          doc = next.state.doc
        }
        return next
      }),
    undo: () =>
      goTo(
        (now) => history.before(now),
        () => history.undone(),
        'There is nothing to undo.',
      ),
    redo: () =>
      goTo(
        (now) => history.after(now),
        () => history.redone(),
        'There is nothing to do again.',
      ),
    now: () => view,
    /** Other hands from here on. */
    goOnWith: (hands: Hands) => {
      ;({ send, show, tell } = hands)
    },
  }
}

export type WritingQueue = ReturnType<typeof writingQueue>
