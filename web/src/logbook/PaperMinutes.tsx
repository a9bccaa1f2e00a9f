import { useState } from 'react'
import { Button } from '../ui/Button'
import { Field, Input } from '../ui/Field'
import { Refused } from '../ui/Said'
import { TextButton } from '../ui/TextLink'
import { useToast } from '../ui/toasts'
import { useAddMinutes, useTakeMinutesBack } from './queries'
import { several } from '../ui/several'
import { today } from '../calendar/days'
import { LIMITS } from '../api/limits'

/** Minutes that a learner without a screen wrote on the week's page. */
export function PaperMinutes({ id, learner }: { id: number; learner: number }) {
  const [open, setOpen] = useState(false)
  const [day, setDay] = useState(today)
  const [minutes, setMinutes] = useState('10')
  const add = useAddMinutes(id, learner)
  const back = useTakeMinutesBack(id, learner)
  const toast = useToast()
  const count = Number(minutes)
  if (!open) return <TextButton onClick={() => setOpen(true)}>Add minutes from paper</TextButton>
  return (
    <form
      className="flex flex-wrap items-end gap-3 py-1"
      onSubmit={(e) => {
        e.preventDefault()
        add.mutate(
          { day, minutes: Math.round(count) },
          {
            onSuccess: ({ key }) =>
              toast({
                text: `${several(Math.round(count), 'minute')} added.`,
                action: {
                  label: 'Undo',
                  run: () => back.mutate(key, { onError: (problem) => toast({ text: problem.message }) }),
                },
              }),
          },
        )
      }}
    >
      <Field label="Day">
        <Input type="date" max={today()} width="w-44" value={day} onChange={(e) => setDay(e.target.value)} />
      </Field>
      <Field label="Minutes">
        <Input
          type="number"
          min={1}
          max={LIMITS.mostMinutes}
          width="w-24"
          value={minutes}
          onChange={(e) => setMinutes(e.target.value)}
        />
      </Field>
      <Button kind="go" type="submit" disabled={!(count >= 1) || !day || add.isPending}>
        Add
      </Button>
      <Button onClick={() => setOpen(false)}>Close</Button>
      {add.error && <Refused>{add.error.message}</Refused>}
    </form>
  )
}
