import type { BowEdit } from '../api/client'
import { useSetBowing } from '../api/queries'
import { useToast } from '../ui/toasts'
import type { Remember } from './useUndo'

const edit = ({ noteId, kind }: BowEdit): BowEdit => ({ noteId, kind })
const same = (a: BowEdit, b: BowEdit) => a.noteId === b.noteId && a.kind === b.kind

/** Takes changes of the bowing and takes them back. Each step is kept at once. */
export function useBows(id: number, taken: readonly BowEdit[], remember: Remember) {
  const put = useSetBowing()
  const toast = useToast()
  const change = (changes: BowEdit[]) => {
    const before = taken.map(edit)
    put.mutateAsync({ id, changes }).then(
      () => remember(() => put.mutateAsync({ id, changes: before })),
      (refusal: Error) => toast({ text: refusal.message }),
    )
  }
  return {
    take: (added: readonly BowEdit[]) => change([...taken, ...added].map(edit)),
    takeBack: (gone: readonly BowEdit[]) => change(taken.filter((t) => !gone.some((g) => same(g, t))).map(edit)),
  }
}
