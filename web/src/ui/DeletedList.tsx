import { momentOf } from '../calendar/days'
import { Button } from './Button'
import { Dialog } from './Dialog'
import { Refused } from './Said'

/** What was deleted, the last first, and its way back. */
export function DeletedList({
  title,
  things,
  more = 0,
  problem,
  busy,
  onRestore,
  onClose,
}: {
  title: string
  things: readonly { id: number; name: string; deletedAt?: string | null }[] | undefined
  /** How many older ones are not listed. */
  more?: number
  problem: Error | null
  busy: boolean
  onRestore: (id: number) => void
  onClose: () => void
}) {
  return (
    <Dialog title={title} onClose={onClose}>
      <p className="mb-3 text-sm text-soft">They stay here for 30 days.</p>
      {problem && <Refused>{problem.message}</Refused>}
      {things?.length === 0 && <p>Nothing is deleted.</p>}
      <ul className="flex flex-col">
        {things?.map(({ id, name, deletedAt }) => (
          <li key={id} className="flex items-center justify-between gap-4 border-b border-line py-2">
            <span className="min-w-0">
              <span className="block truncate font-head text-lg font-semibold">{name}</span>
              {deletedAt && <span className="block truncate text-sm text-soft">{momentOf(deletedAt)}</span>}
            </span>
            <Button aria-label={`Bring back ${name}`} disabled={busy} onClick={() => onRestore(id)}>
              Bring back
            </Button>
          </li>
        ))}
      </ul>
      {more > 0 && <p className="mt-2 text-sm text-soft">And {more} more, deleted before these.</p>}
      <div className="mt-5">
        <Button onClick={onClose}>Close</Button>
      </div>
    </Dialog>
  )
}
