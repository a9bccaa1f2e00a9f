import { useState } from 'react'
import { useToast } from '../ui/toasts'
import { changeQueue, type TakeBack } from './changeQueue'

/** The teacher's changes of fingers, bows and octave on this stand; whoever asks for one goes on at once. */
export function useChanges() {
  const toast = useToast()
  const [changes] = useState(() => {
    const queue = changeQueue((text) => toast({ text }))
    return {
      make: (step: () => Promise<TakeBack | null>) => void queue.make(step),
      undo: () => void queue.undo(),
    }
  })
  return changes
}

export type MakeChange = ReturnType<typeof useChanges>['make']
