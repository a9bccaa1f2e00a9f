import { useEffect, useState } from 'react'
import { useToast } from '../ui/toasts'
import { lessonQueue } from './lessonQueue'
import { useLessonCalls, type LessonDoc } from './queries'

/** Changes of a lesson, shown at once and kept one after the other; each can be taken back. */
export function useLessonEdit(classId: number, id: number) {
  const { now, show, ...calls } = useLessonCalls(classId, id)
  const toast = useToast()
  const [{ waiting, isUnanswered }, setState] = useState({ waiting: 0, isUnanswered: false })
  const [queue] = useState(() =>
    lessonQueue({
      now,
      calls,
      show: (lesson, waiting, isUnanswered) => {
        show(lesson)
        setState({ waiting, isUnanswered })
      },
      tell: (text) => toast({ text }),
    }),
  )
  const isSaving = waiting > 0
  useEffect(() => {
    if (!isSaving) return
    // Closed now, the page would take what is on its way with it: the browser asks first.
    const stay = (event: BeforeUnloadEvent) => event.preventDefault()
    window.addEventListener('beforeunload', stay)
    return () => window.removeEventListener('beforeunload', stay)
  }, [isSaving])
  return {
    isSaving,
    /** What is changed waits: it is tried again until somebody answers. */
    isUnanswered,
    /** @param taught Whether it then was taught; as before where left out. */
    edit: (change: (doc: LessonDoc) => LessonDoc, taught?: boolean) => void queue.edit(change, taught),
    addTune: (tuneId: number) => void queue.addTune(tuneId),
    undo: () => void queue.undo(),
    redo: () => void queue.redo(),
  }
}

export type LessonEdit = ReturnType<typeof useLessonEdit>
