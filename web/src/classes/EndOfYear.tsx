import { useState } from 'react'
import type { ClassDetail } from '../api/client'
import { Button } from '../ui/Button'
import { Dialog } from '../ui/Dialog'
import { Field, Input } from '../ui/Field'
import { Refused } from '../ui/Said'
import { Tick } from '../ui/Tick'
import { useToast } from '../ui/toasts'
import { useMoveBack, useMoveUp } from '../register/queries'
import { LIMITS } from '../api/limits'

/** Learners move up into a new class, and what the class knows goes with them. */
export function EndOfYear({
  one,
  onClose,
  onMoved,
}: {
  one: ClassDetail
  onClose: () => void
  onMoved: (to: number) => void
}) {
  const id = one.summary.id
  const [name, setName] = useState(nextYear(one.summary.name))
  const [stay, setStay] = useState<readonly number[]>([])
  const up = useMoveUp(id)
  const back = useMoveBack()
  const toast = useToast()
  const learners = one.learners.filter((l) => !stay.includes(l.id)).map((l) => l.id)
  return (
    <Dialog title="End of the year" onClose={onClose}>
      <form
        className="flex flex-col gap-4"
        onSubmit={(e) => {
          e.preventDefault()
          up.mutate(
            { name, learners },
            {
              onSuccess: (made) => {
                toast({
                  text: `${learners.length === 1 ? 'One learner has' : `${learners.length} learners have`} moved up to “${made.name}”.`,
                  action: {
                    label: 'Undo',
                    run: () =>
                      back.mutate(
                        { from: made.id, into: id },
                        { onSuccess: () => onMoved(id), onError: (problem) => toast({ text: problem.message }) },
                      ),
                  },
                })
                onMoved(made.id)
              },
            },
          )
        }}
      >
        <p>
          Those who are ticked move up into a new class. It knows all that this class knows, with the dates and the
          tunes by which it came to know it.
        </p>
        <Field label="Name of the new class">
          <Input value={name} maxLength={LIMITS.longestClassName} onChange={(e) => setName(e.target.value)} />
        </Field>
        <fieldset className="flex max-h-72 flex-wrap gap-x-6 overflow-y-auto">
          <legend className="font-bold">Who moves up</legend>
          {one.learners.map((l) => (
            <Tick
              key={l.id}
              checked={!stay.includes(l.id)}
              onChange={(on) => setStay((now) => (on ? now.filter((s) => s !== l.id) : [...now, l.id]))}
            >
              {l.nickname}
            </Tick>
          ))}
        </fieldset>
        {up.error && <Refused>{up.error.message}</Refused>}
        <div className="flex gap-3">
          <Button kind="go" type="submit" disabled={!name.trim() || learners.length === 0 || up.isPending}>
            Move {learners.length} up
          </Button>
          <Button onClick={onClose}>Cancel</Button>
        </div>
      </form>
    </Dialog>
  )
}

/** "Weir strings, year 2" after "Weir strings, year 1"; another name gets a 2. */
function nextYear(name: string) {
  const number = /(\d+)(?!.*\d)/.exec(name)
  return number
    ? `${name.slice(0, number.index)}${Number(number[0]) + 1}${name.slice(number.index + number[0].length)}`
    : `${name} 2`
}
