/** A change that was made. */
export type Change = {
  takeBack: () => Promise<unknown>
  /** In a few words: "finger of F♯, bar 3". */
  what: string
  /** The name of the instrument that alone shows it, or null where all do. */
  on: string | null
  /** Where it is seen. */
  noteId?: string | undefined
}

/** A change, and how it is made. */
type Made = { change: Change; step: () => Promise<Change | null> }

/**
 * Changes that are made one after the other, so that of two quick ones the second starts from what the first has kept.
 * Undo takes back the last of those that the instrument in view shows.
 * @param tell Says what was taken back, why a change was refused, or that there is nothing to undo.
 */
export function changeQueue(tell: (text: string) => void) {
  const past: Made[] = []
  const future: Made[] = []
  let last = Promise.resolve()
  const inTurn = (step: () => Promise<void>) => {
    last = last
      .then(step)
      .catch((refusal: unknown) => tell(refusal instanceof Error ? refusal.message : String(refusal)))
    return last
  }
  return {
    /**
     * Makes a change when those before it are kept; `step` answers what it was, or null when there was nothing to
     * change.
     */
    make: (step: () => Promise<Change | null>) =>
      inTurn(async () => {
        const change = await step()
        if (!change) return
        past.push({ change, step })
        future.length = 0
      }),
    /** @param on The instrument in view. */
    undo: (on: string, show: (noteId: string) => void) =>
      inTurn(async () => {
        const made = takenFrom(past, on)
        if (made) {
          await made.change.takeBack()
          future.push(made)
          if (made.change.noteId) show(made.change.noteId)
          tell(`Undone: ${inWords(made.change)}.`)
        } else tell(nothing(on, past.at(-1)?.change))
      }),
    /** Makes the last change again that was taken back and that the instrument in view shows. */
    redo: (on: string, show: (noteId: string) => void) =>
      inTurn(async () => {
        const made = takenFrom(future, on)
        const change = await made?.step()
        if (made && change) {
          past.push({ change, step: made.step })
          if (change.noteId) show(change.noteId)
          tell(`Made again: ${inWords(change)}.`)
        } else tell('There is nothing to make again.')
      }),
  }
}

const inWords = ({ what, on }: Change) => `${what}${on ? ` (${on.toLowerCase()})` : ''}`

/** The last that an instrument shows, out of its pile. */
const takenFrom = (pile: Made[], on: string): Made | undefined => {
  const at = pile.findLastIndex(({ change }) => change.on === null || change.on === on)
  return at < 0 ? undefined : pile.splice(at, 1)[0]
}

/** Why nothing is undone, and where there would be something. */
const nothing = (on: string, other: Change | undefined) =>
  other?.on
    ? `Nothing was changed for the ${on.toLowerCase()}. The last change is for the ${other.on.toLowerCase()}: ${other.what}.`
    : 'There is no change of fingers, bows or octave to undo.'
