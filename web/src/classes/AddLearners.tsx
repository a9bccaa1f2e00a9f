import { useDeferredValue, useState } from 'react'
import { FileButton } from '../ui/FileButton'
import { Button } from '../ui/Button'
import { Dialog } from '../ui/Dialog'
import { Field } from '../ui/Field'
import { Refused } from '../ui/Said'
import { useAddLearners, useLearnerList, useTakeLearnerIn } from '../register/queries'
import { Understood } from './Understood'

/** More learners, pasted or typed as for a new class. */
export function AddLearners({ classId, onClose }: { classId: number; onClose: () => void }) {
  const [list, setList] = useState('')
  const text = useDeferredValue(list)
  const listed = useLearnerList(text)
  const add = useAddLearners(classId)
  const take = useTakeLearnerIn(classId)
  const learners = list.trim() ? (listed.data ?? []) : []
  const refused = add.error ?? take.error ?? (list.trim() ? listed.error : null)
  return (
    <Dialog title="Add learners" onClose={onClose}>
      <form
        className="flex flex-col gap-4"
        onSubmit={(e) => {
          e.preventDefault()
          add.mutate(
            learners.map(({ nickname, instrument, size }) => ({ nickname, instrument, size })),
            { onSuccess: onClose },
          )
        }}
      >
        <Field label="A line each: nickname, instrument, size">
          <textarea
            className="min-h-28 rounded-md border border-line-dark bg-sheet px-3 py-2 font-normal"
            value={list}
            spellCheck={false}
            onChange={(e) => setList(e.target.value)}
          />
        </Field>
        {learners.length > 0 && <Understood learners={learners} />}
        {!list.trim() && (
          <div className="flex flex-wrap items-center gap-3 text-sm">
            Or bring one back with their whole record:
            <FileButton
              accept=".json,application/json"
              busy={take.isPending}
              onFile={(file) => take.mutate(file, { onSuccess: onClose })}
            >
              A saved learner …
            </FileButton>
          </div>
        )}
        {refused && <Refused>{refused.message}</Refused>}
        <div className="flex gap-3">
          <Button
            kind="go"
            type="submit"
            disabled={
              learners.length === 0 ||
              learners.some((l) => l.wrong !== null) ||
              listed.isFetching ||
              text !== list ||
              add.isPending
            }
          >
            Add {learners.length === 0 ? 'them' : learners.length}
          </Button>
          <Button onClick={onClose}>Cancel</Button>
        </div>
      </form>
    </Dialog>
  )
}
