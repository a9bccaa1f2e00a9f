import type { ClassSummary } from '../api/client'
import { FileLink } from '../keeping/FileLink'
import { Button } from '../ui/Button'
import { Dialog } from '../ui/Dialog'
import { Refused } from '../ui/Said'
import { useCurrentClass, useDeleteClass } from './queries'

/** A class goes with everything that hangs on it, after an offer to save it. */
export function DeleteClass({
  summary,
  onClose,
  onDeleted,
}: {
  summary: ClassSummary
  onClose: () => void
  onDeleted: () => void
}) {
  const remove = useDeleteClass()
  const [current, choose] = useCurrentClass()
  return (
    <Dialog title={`Delete “${summary.name}”?`} onClose={onClose}>
      <p className="mb-3">
        The class goes for good, with its {summary.learners === 1 ? 'learner' : `${summary.learners} learners`} and what
        it knows. Tunes and sheets stay.
      </p>
      <p className="mb-5">
        <FileLink href={`/api/classes/${summary.id}/known.json`}>Save what it knows first</FileLink>
      </p>
      {remove.error && <Refused>{remove.error.message}</Refused>}
      <div className="flex gap-3">
        <Button
          kind="go"
          disabled={remove.isPending}
          onClick={() =>
            remove.mutate(summary.id, {
              onSuccess: () => {
                if (current?.id === summary.id) choose(null)
                onDeleted()
              },
            })
          }
        >
          Delete the class
        </Button>
        <Button onClick={onClose}>Keep it</Button>
      </div>
    </Dialog>
  )
}
