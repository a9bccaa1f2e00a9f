import type { WritingCommand, WritingState, WritingView } from '../api/client'

/** Asks for the staff after a step from a state; without a command for the staff as the state has it. */
export type Send = (state: WritingState, command?: WritingCommand) => Promise<WritingView>

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
 * press is lost however quick they come. To undo is to go back to a state that was; there is no end to it.
 */
export function writingQueue(first: WritingView, begunWith: Hands) {
  let view = first
  let { send, show, tell } = begunWith
  let waiting = 0
  let last = Promise.resolve()
  const past: WritingState[] = []
  const future: WritingState[] = []
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
  /** From one pile of states to the other. */
  const back = (from: WritingState[], to: WritingState[], nothing: string) =>
    inTurn(async () => {
      const state = from.at(-1)
      if (!state) {
        tell(nothing)
        return null
      }
      const next = await send(state)
      from.pop()
      to.push(view.state)
      return next
    })
  return {
    step: (command: WritingCommand) =>
      inTurn(async () => {
        const next = await send(view.state, command)
        if (next.leftOut) tell(next.leftOut)
        if (next.state.doc !== view.state.doc) {
          past.push(view.state)
          future.length = 0
        }
        return next
      }),
    undo: () => back(past, future, 'There is nothing to undo.'),
    redo: () => back(future, past, 'There is nothing to do again.'),
    now: () => view,
    /** Other hands from here on. */
    goOnWith: (hands: Hands) => {
      ;({ send, show, tell } = hands)
    },
  }
}

export type WritingQueue = ReturnType<typeof writingQueue>
