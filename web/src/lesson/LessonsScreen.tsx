import { useState } from 'react'
import { useNavigate } from 'react-router'
import { useClassNames, useCurrentClass } from '../register/queries'
import { Asked } from '../ui/Asked'
import { Button } from '../ui/Button'
import { Field, Input } from '../ui/Field'
import { MoreItem, MoreMenu } from '../ui/MoreMenu'
import { Page } from '../ui/Page'
import { TextLink } from '../ui/TextLink'
import { useToast } from '../ui/toasts'
import { useDeleteLesson, useLessons, usePlanLesson, useRestoreLesson } from './queries'
import { today, weekdayOf } from '../calendar/days'

/** The lessons of the class that is chosen, or of the only one: the next, and those that were taught. */
export function LessonsScreen() {
  const [chosen] = useCurrentClass()
  const classes = useClassNames()
  const current = chosen ?? (classes.data?.length === 1 ? classes.data[0] : null)
  return (
    <Page title="Lessons" width="text" subtitle={current?.name}>
      <Asked of={classes}>
        {current ? (
          <OfClass key={current.id} id={current.id} />
        ) : (
          classes.data && <ChooseClass classes={classes.data} />
        )}
      </Asked>
    </Page>
  )
}

/** A lesson is a class’s own. */
function ChooseClass({ classes }: { classes: readonly { id: number; name: string }[] }) {
  const [, choose] = useCurrentClass()
  if (classes.length === 0)
    return (
      <p className="mt-3">
        A lesson is planned for a class, and there is none yet. <TextLink to="/classes">Make a class</TextLink>
      </p>
    )
  return (
    <div className="mt-3">
      <p>For which class?</p>
      <ul className="mt-2 flex flex-wrap gap-3">
        {classes.map((c) => (
          <li key={c.id}>
            <Button onClick={() => choose(c.id)}>{c.name}</Button>
          </li>
        ))}
      </ul>
    </div>
  )
}

function OfClass({ id }: { id: number }) {
  const navigate = useNavigate()
  const toast = useToast()
  const lessons = useLessons(id)
  const plan = usePlanLesson(id)
  const remove = useDeleteLesson(id)
  const restore = useRestoreLesson(id)
  const [day, setDay] = useState(today)
  const go = (lesson: number) => void navigate(`/lesson/${id}/${lesson}`)
  const make = () =>
    plan.mutate(day, {
      onSuccess: (lesson) => go(lesson.id),
      onError: (refusal) => toast({ text: refusal.message }),
    })
  const take = (lesson: number, what: string) =>
    remove.mutate(lesson, {
      onSuccess: () =>
        toast({
          text: `The lesson of ${what} is deleted.`,
          action: { label: 'Undo', run: () => restore.mutate(lesson) },
        }),
      onError: (refusal) => toast({ text: refusal.message }),
    })
  const all = lessons.data?.lessons ?? []
  return (
    <>
      <form
        className="mt-4 flex flex-wrap items-end gap-3 border-y border-line py-4"
        onSubmit={(e) => {
          e.preventDefault()
          make()
        }}
      >
        <Field label="Day">
          <Input type="date" required value={day} onChange={(e) => setDay(e.target.value)} />
        </Field>
        <Button kind="go" type="submit" disabled={plan.isPending || day === ''}>
          {plan.isPending ? 'Planning …' : 'Plan a lesson'}
        </Button>
        <p className="max-w-sm text-sm text-soft">
          From the tunes that are set and from what the class has reached: a run-sheet with minutes, to change as you
          like.
        </p>
      </form>
      <Asked of={lessons}>
        {lessons.data && all.length === 0 && <p className="mt-4">No lesson is planned yet.</p>}
        <ul className="mt-2">
          {all.map((l) => (
            <li key={l.id} className="flex flex-wrap items-baseline gap-x-4 border-b border-line py-2">
              <span className="w-36">
                <TextLink to={`/lesson/${id}/${l.id}`}>{weekdayOf(l.day)}</TextLink>
              </span>
              <span className={`w-20 text-sm ${l.isTaught ? 'text-soft' : 'font-bold text-spruce'}`}>
                {l.isTaught ? 'taught' : 'planned'}
              </span>
              <span className="min-w-0 flex-1 text-sm">{l.tunes.join(', ')}</span>
              <MoreMenu button="More" label={`More for the lesson of ${weekdayOf(l.day)}`} end>
                <MoreItem onClick={() => void navigate(`/lesson/${id}/${l.id}/print`)}>Print</MoreItem>
                <MoreItem onClick={() => void navigate(`/lesson/${id}/${l.id}/missed`)}>For one who missed it</MoreItem>
                <MoreItem grave onClick={() => take(l.id, weekdayOf(l.day))}>
                  Delete
                </MoreItem>
              </MoreMenu>
            </li>
          ))}
        </ul>
      </Asked>
    </>
  )
}
