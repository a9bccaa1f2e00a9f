import { useState } from 'react'
import { useToast } from '../ui/toasts'

/** Takes back the teacher's changes of fingers and bows on this stand, the last first. */
export function useUndo() {
  const [past, setPast] = useState<(() => Promise<unknown>)[]>([])
  const toast = useToast()
  return {
    remember: (takeBack: () => Promise<unknown>) => setPast((p) => [...p, takeBack]),
    undo: () => {
      const last = past.at(-1)
      if (!last) return toast({ text: 'There is no change of fingers or bows to undo.' })
      setPast((p) => p.slice(0, -1))
      last().catch((refusal: Error) => toast({ text: refusal.message }))
    },
  }
}

export type Remember = ReturnType<typeof useUndo>['remember']
