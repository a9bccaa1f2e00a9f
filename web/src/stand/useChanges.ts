import { useState } from 'react'
import { useToast } from '../ui/toasts'
import { changeQueue } from './changeQueue'

/** The teacher's changes of fingers, bows and octave on this stand. */
export function useChanges() {
  const toast = useToast()
  const [queue] = useState(() => changeQueue((text) => toast({ text })))
  return queue
}

export type MakeChange = ReturnType<typeof useChanges>['make']
