import type { ClassSummary } from '../api/client'
import { FileLink } from '../ui/FileLink'
import { Button } from '../ui/Button'
import { Dialog } from '../ui/Dialog'
import { Refused } from '../ui/Said'
import { useCurrentClass, useDeleteClass, useTakeClassIn } from '../register/queries'
import { useOfferBack } from '../register/useOfferBack'

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
  const bringBack = useTakeClassIn()
  const offerBack = useOfferBack()
  const [current, choose] = useCurrentClass()
  return (
    <Dialog title={`Delete “${summary.name}”?`} onClose={onClose}>
      <p className="mb-3">
        The class goes at once, with its {summary.learners === 1 ? 'learner' : `${summary.learners} learners`}, all that
        they reported, and what it knows. Tunes and sheets stay. You can take it back until you leave or reload this
        page. Backups of the last days hold it until newer ones take their place.
      </p>
      <p className="mb-5">
        <FileLink href={`/api/classes/${summary.id}/record.json`}>Save the whole record first</FileLink> or{' '}
        <FileLink href={`/api/classes/${summary.id}/record.csv`}>as a table (CSV)</FileLink>
      </p>
      {remove.error && <Refused>{remove.error.message}</Refused>}
      <div className="flex gap-3">
        <Button
          kind="go"
          disabled={remove.isPending}
          onClick={() =>
            remove.mutate(summary.id, {
              onSuccess: (was) => {
                if (current?.id === summary.id) choose(null)
                onDeleted()
                offerBack(`“${summary.name}”`, () => bringBack.mutateAsync(was))
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
