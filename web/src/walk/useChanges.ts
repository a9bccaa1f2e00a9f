import { useState } from 'react'
import { useToast } from '../ui/toasts'
import { changeQueue, type Change } from '../history/changeQueue'

/** The teacher's changes of fingers, bows and octave on this stand; whoever asks for one goes on at once. */
export function useChanges() {
  const toast = useToast()
  const [changes] = useState(() => {
    const queue = changeQueue((text) => toast({ text }))
    return {
      make: (step: () => Promise<Change | null>) => void queue.make(step),
      undo: (on: string, show: (noteId: string) => void) => void queue.undo(on, show),
      redo: (on: string, show: (noteId: string) => void) => void queue.redo(on, show),
    }
  })
  return changes
}

export type MakeChange = ReturnType<typeof useChanges>['make']
