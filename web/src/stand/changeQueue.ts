export type TakeBack = () => Promise<unknown>

/**
 * Changes that are made one after the other, so that of two quick ones the second starts from what the first has kept; the last is
 * taken back first.
 * @param tell Says why a change was refused, or that there is nothing to undo.
 */
export function changeQueue(tell: (text: string) => void) {
  const past: TakeBack[] = []
  let last = Promise.resolve()
  const inTurn = (step: () => Promise<void>) => {
    last = last
      .then(step)
      .catch((refusal: unknown) => tell(refusal instanceof Error ? refusal.message : String(refusal)))
    return last
  }
  return {
    /** Makes a change when those before it are kept; `step` answers how to take it back, or null when there was nothing to change. */
    make: (step: () => Promise<TakeBack | null>) =>
      inTurn(async () => {
        const takeBack = await step()
        if (takeBack) past.push(takeBack)
      }),
    undo: () =>
      inTurn(async () => {
        const takeBack = past.pop()
        if (takeBack) await takeBack()
        else tell('There is no change of fingers, bows or octave to undo.')
      }),
  }
}
