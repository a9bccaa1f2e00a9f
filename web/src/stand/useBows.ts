import type { BowEdit, Bowing } from '../api/client'
import { useSetBowing } from '../api/queries'
import { useToast } from '../ui/toasts'
import type { Remember } from './useUndo'

const edit = ({ noteId, kind }: BowEdit): BowEdit => ({ noteId, kind })
const without = (from: readonly BowEdit[], gone: readonly BowEdit[]) =>
  from.filter((t) => !gone.some((g) => g.noteId === t.noteId && g.kind === t.kind)).map(edit)

/** Takes and refuses changes of the bowing, and takes both back. Each step is kept at once. */
export function useBows(id: number, bowing: Bowing | undefined, remember: Remember) {
  const put = useSetBowing()
  const toast = useToast()
  const taken = bowing?.taken ?? []
  const refused = bowing?.refused ?? []
  const change = (next: { changes: BowEdit[]; refused: BowEdit[] }) => {
    const before = { id, changes: taken.map(edit), refused: refused.map(edit) }
    put.mutateAsync({ id, ...next }).then(
      () => remember(() => put.mutateAsync(before)),
      (refusal: Error) => toast({ text: refusal.message }),
    )
  }
  return {
    take: (added: readonly BowEdit[]) =>
      change({ changes: [...taken, ...added].map(edit), refused: without(refused, added) }),
    takeBack: (gone: readonly BowEdit[]) => change({ changes: without(taken, gone), refused: refused.map(edit) }),
    refuse: (unwanted: readonly BowEdit[]) =>
      change({ changes: taken.map(edit), refused: [...refused, ...unwanted].map(edit) }),
    allowAgain: () => change({ changes: taken.map(edit), refused: [] }),
  }
}

export type Bows = ReturnType<typeof useBows>
