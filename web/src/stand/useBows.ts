import type { BowEdit, BowVerdict, BowVerdictChange, Bowing } from '../api/client'
import { useChangeBowing, useFreshBowing } from '../walk/queries'
import type { MakeChange } from '../walk/useChanges'

const isIn = (edits: readonly BowEdit[], { noteId, kind }: BowEdit) =>
  edits.some((e) => e.noteId === noteId && e.kind === kind)

const bowChanges = ({ length }: readonly BowEdit[]) => (length === 1 ? 'a bow change' : `${length} bow changes`)

/** What is to be said to some changes of the bowing, where that is another thing than what is said now. */
export const verdicts = (now: Pick<Bowing, 'taken' | 'refused'>, edits: readonly BowEdit[], to: BowVerdict) =>
  edits
    .map(({ noteId, kind }): BowVerdictChange => {
      const edit = { noteId, kind }
      return { ...edit, to, was: isIn(now.taken, edit) ? 'taken' : isIn(now.refused, edit) ? 'refused' : 'open' }
    })
    .filter((change) => change.to !== change.was)

/** Takes and refuses changes of the bowing, and takes both back. Each step is kept at once. */
export function useBows(id: number, instrument: string, make: MakeChange) {
  const change = useChangeBowing()
  const fresh = useFreshBowing()
  const say = (what: string, to: BowVerdict, edits: (now: Bowing) => readonly BowEdit[]) =>
    make(async () => {
      const now = await fresh(id, instrument)
      const changes = verdicts(now, edits(now), to)
      if (changes.length === 0) return null
      const send = (some: BowVerdictChange[]) => change.mutateAsync({ id, instrument, changes: some })
      await send(changes)
      // They alone, whatever else has been changed since.
      const takeBack = () => send(changes.map((c) => ({ ...c, to: c.was, was: c.to })))
      return { takeBack, what, on: null, noteId: changes[0]?.noteId }
    })
  return {
    take: (added: readonly BowEdit[]) => say(`${bowChanges(added)} taken`, 'taken', () => added),
    takeBack: (gone: readonly BowEdit[]) => say(`${bowChanges(gone)} taken back`, 'open', () => gone),
    refuse: (unwanted: readonly BowEdit[]) => say(`${bowChanges(unwanted)} refused`, 'refused', () => unwanted),
    allowAgain: () => say('refused bow changes allowed again', 'open', ({ refused }) => refused),
  }
}

export type Bows = ReturnType<typeof useBows>
