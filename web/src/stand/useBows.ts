import type { BowEdit, Bowing } from '../api/client'
import { useFreshBowing, useSetBowing } from './queries'
import type { MakeChange } from './useChanges'

const edit = ({ noteId, kind }: BowEdit): BowEdit => ({ noteId, kind })
const without = (from: readonly BowEdit[], gone: readonly BowEdit[]) =>
  from.filter((t) => !gone.some((g) => g.noteId === t.noteId && g.kind === t.kind))

const bowChanges = ({ length }: readonly BowEdit[]) => (length === 1 ? 'a bow change' : `${length} bow changes`)

/** Takes and refuses changes of the bowing, and takes both back. Each step is kept at once. */
export function useBows(id: number, instrument: string, make: MakeChange) {
  const put = useSetBowing()
  const fresh = useFreshBowing()
  const change = (
    what: string,
    edits: readonly BowEdit[],
    next: (now: Bowing) => { taken?: readonly BowEdit[]; refused?: readonly BowEdit[] },
  ) =>
    make(async () => {
      const now = await fresh(id, instrument)
      const set = ({ taken, refused }: { taken: readonly BowEdit[]; refused: readonly BowEdit[] }) =>
        put.mutateAsync({ id, instrument, changes: taken.map(edit), refused: refused.map(edit) })
      await set({ ...now, ...next(now) })
      return { takeBack: () => set(now), what, on: null, noteId: edits[0]?.noteId }
    })
  return {
    take: (added: readonly BowEdit[]) =>
      change(`${bowChanges(added)} taken`, added, ({ taken, refused }) => ({
        taken: [...taken, ...added],
        refused: without(refused, added),
      })),
    takeBack: (gone: readonly BowEdit[]) =>
      change(`${bowChanges(gone)} taken back`, gone, ({ taken }) => ({ taken: without(taken, gone) })),
    refuse: (unwanted: readonly BowEdit[]) =>
      change(`${bowChanges(unwanted)} refused`, unwanted, ({ refused }) => ({ refused: [...refused, ...unwanted] })),
    allowAgain: () => change('refused bow changes allowed again', [], () => ({ refused: [] })),
  }
}

export type Bows = ReturnType<typeof useBows>
