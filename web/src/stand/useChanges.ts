import { useRef } from 'react'
import { useToast } from '../ui/toasts'

type TakeBack = () => Promise<unknown>

/**
 * The teacher's changes of fingers, bows and octave on this stand. They are made one after the other, so that of two quick ones
 * the second starts from what the first has kept; the last is taken back first.
 */
export function useChanges() {
  const past = useRef<TakeBack[]>([])
  const last = useRef(Promise.resolve())
  const toast = useToast()
  const inTurn = (step: () => Promise<void>) => {
    last.current = last.current.then(step).catch((refusal: Error) => toast({ text: refusal.message }))
  }
  return {
    /** Makes a change when those before it are kept; `step` answers how to take it back, or null when there was nothing to change. */
    make: (step: () => Promise<TakeBack | null>) =>
      inTurn(async () => {
        const takeBack = await step()
        if (takeBack) past.current.push(takeBack)
      }),
    undo: () =>
      inTurn(async () => {
        const takeBack = past.current.pop()
        if (takeBack) await takeBack()
        else toast({ text: 'There is no change of fingers, bows or octave to undo.' })
      }),
  }
}

export type MakeChange = ReturnType<typeof useChanges>['make']
