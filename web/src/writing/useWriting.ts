import { useCallback, useEffect, useState } from 'react'
import type { WritingCommand, WritingState, WritingView } from '../api/client'
import { useToast } from '../ui/toasts'
import { stepFor } from './queries'
import { writingQueue } from './writingQueue'

/**
 * One line that is being written on. A note is drawn at once, before its step is answered: those wait in <c>heads</c>.
 * @param keep Gets each state, so that it can be kept against a loss.
 */
export function useWriting(
  first: WritingView,
  instrument: string,
  perLine: number,
  keep: (state: WritingState) => void,
) {
  const toast = useToast()
  const [view, setView] = useState(first)
  const [heads, setHeads] = useState<readonly number[]>([])
  const hands = {
    send: stepFor(instrument, perLine),
    show: (next: WritingView, waiting: number) => {
      setView(next)
      if (waiting === 0) setHeads([])
      keep(next.state)
    },
    tell: (text: string) => toast({ text }),
  }
  const [at] = useState(() => writingQueue(first, hands))
  useEffect(() => {
    at.goOnWith(hands)
  })
  return {
    view,
    /** Heights of notes that are drawn and not answered yet. */
    heads,
    /** @param height Of a note that is drawn at once. */
    step: useCallback(
      (command: WritingCommand, height?: number) => {
        if (height !== undefined) setHeads((before) => [...before, height])
        return at.step(command)
      },
      [at],
    ),
    undo: useCallback(() => at.undo(), [at]),
    redo: useCallback(() => at.redo(), [at]),
  }
}

export type Writing = ReturnType<typeof useWriting>
