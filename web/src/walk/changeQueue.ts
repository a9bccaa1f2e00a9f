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

/**
 * Changes that are made one after the other, so that of two quick ones the second starts from what the first has kept.
 * Undo takes back the last of those that the instrument in view shows.
 * @param tell Says what was taken back, why a change was refused, or that there is nothing to undo.
 */
export function changeQueue(tell: (text: string) => void) {
  const past: Change[] = []
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
        if (change) past.push(change)
      }),
    /** @param on The instrument in view. */
    undo: (on: string, show: (noteId: string) => void) =>
      inTurn(async () => {
        const at = past.findLastIndex((c) => c.on === null || c.on === on)
        const [change] = at < 0 ? [] : past.splice(at, 1)
        if (change) {
          await change.takeBack()
          if (change.noteId) show(change.noteId)
          tell(`Undone: ${change.what}${change.on ? ` (${change.on.toLowerCase()})` : ''}.`)
        } else tell(nothing(on, past.at(-1)))
      }),
  }
}

/** Why nothing is undone, and where there would be something. */
const nothing = (on: string, other: Change | undefined) =>
  other?.on
    ? `Nothing was changed for the ${on.toLowerCase()}. The last change is for the ${other.on.toLowerCase()}: ${other.what}.`
    : 'There is no change of fingers, bows or octave to undo.'
