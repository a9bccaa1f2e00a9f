import type { ClassSummary } from '../api/client'
import { FileLink } from '../keeping/FileLink'
import { Button } from '../ui/Button'
import { Dialog } from '../ui/Dialog'
import { Refused } from '../ui/Said'
import { useToast } from '../ui/toasts'
import { useCurrentClass, useDeleteClass, useTakeClassIn } from './queries'

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
  const toast = useToast()
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
                toast({
                  text: `“${summary.name}” is deleted.`,
                  stays: true,
                  action: {
                    label: 'Undo',
                    // This page is left by then.
                    run: () =>
                      void bringBack
                        .mutateAsync(was)
                        .catch((e: unknown) => toast({ text: e instanceof Error ? e.message : String(e) })),
                  },
                })
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
