import { useState } from 'react'
import { useNavigate, useParams, useSearchParams } from 'react-router'
import { SetWork } from '../classes'
import { useClass, useCurrentClass } from '../register/queries'
import { Asked } from '../ui/Asked'
import { Button } from '../ui/Button'
import { Field, Input } from '../ui/Field'
import { useKept } from '../offline/kept'
import { Refused } from '../ui/Said'
import { Page } from '../ui/Page'
import { TextLink } from '../ui/TextLink'
import { useToast } from '../ui/toasts'
import { ForEach } from './ForEach'
import { useLevels, useLook, useSaveTask, useTask, type TaskDoc } from './queries'
import { TaskRules } from './TaskRules'
import { LIMITS } from '../api/limits'

type Draft = { title: string; task: TaskDoc }

/** One task: its rules, each to be changed, and what every player sees of it. */
export function TaskScreen() {
  const { id } = useParams()
  const [search] = useSearchParams()
  const like = search.get('like')
  const kept = useTask(id ? Number(id) : like ? Number(like) : null)
  const level = Number(search.get('level') ?? 1)
  const key = search.get('key') ?? 'D'
  const levels = useLevels(key)
  const start = levels.data?.find((l) => l.level === level) ?? levels.data?.[0]
  const of = id || like ? kept : levels
  const first: Draft | null =
    id || like
      ? kept.data
        ? { title: like ? `${kept.data.title}, once more` : kept.data.title, task: kept.data.task }
        : null
      : start
        ? { title: `${start.words}, ${key}`, task: start.task }
        : null
  return (
    <Page
      title={id ? (first?.title ?? 'A task') : 'A new task'}
      back={{ to: '/desk', words: 'Back to the writing desk' }}
    >
      <Asked of={of}>
        {first && (
          <OneTask
            key={`${id ?? 'new'} ${kept.data?.version ?? ''} ${level} ${key} ${like ?? ''}`}
            id={id ? Number(id) : null}
            version={id ? (kept.data?.version ?? null) : null}
            first={first}
            draftKey={`task.${id ?? `new.${like ?? `${level}.${key}`}`}`}
          />
        )}
      </Asked>
    </Page>
  )
}

function OneTask({
  id,
  version,
  first,
  draftKey,
}: {
  id: number | null
  version: number | null
  first: Draft
  draftKey: string
}) {
  const [kept, keep] = useKept<Draft>(draftKey)
  const draft = kept ?? first
  const look = useLook(draft.title, draft.task)
  const save = useSaveTask()
  const toast = useToast()
  const navigate = useNavigate()
  const [current] = useCurrentClass()
  const one = useClass(current?.id ?? 0).data
  const [setting, setSetting] = useState(false)
  const changed = id === null || JSON.stringify(draft) !== JSON.stringify(first)
  const wrong = look.data?.wrong ?? []
  const change = (next: Partial<Draft>) => keep({ ...draft, ...next })
  const saved = (then: (id: number) => void) =>
    save.mutate(
      { id, version, ...draft },
      {
        onSuccess: (task) => {
          keep(null)
          if (task.id !== null) then(task.id)
        },
      },
    )
  return (
    <div className="mt-1 grid gap-x-12 gap-y-6 lg:grid-cols-[24rem_minmax(0,1fr)]">
      <form
        className="flex flex-col gap-4"
        onSubmit={(e) => {
          e.preventDefault()
          saved((at) => {
            toast({ text: `“${draft.title}” is kept.` })
            if (id === null) void navigate(`/desk/${at}`, { replace: true })
          })
        }}
      >
        <Field label="What it is called">
          <Input
            value={draft.title}
            maxLength={LIMITS.longestTaskTitle}
            onChange={(e) => change({ title: e.target.value })}
          />
        </Field>
        <TaskRules task={draft.task} view={look.data} onChange={(task) => change({ task })} />
        {wrong.map((w) => (
          <Refused key={w}>{w}</Refused>
        ))}
        {look.error && <Refused>{look.error.message}</Refused>}
        {save.error && <Refused>{save.error.message}</Refused>}
        <div className="flex flex-wrap gap-3">
          <Button
            kind="go"
            type="submit"
            disabled={!changed || save.isPending || wrong.length > 0 || draft.title.trim() === ''}
          >
            Keep it
          </Button>
          {kept && <Button onClick={() => keep(null)}>As it was</Button>}
          {id !== null && !changed && (
            <>
              <Button disabled={!one} onClick={() => setSetting(true)}>
                Set it to {current?.name ?? 'a class'}
              </Button>
              <TextLink to={`/desk/${id}/sheet`}>Print it</TextLink>
            </>
          )}
        </div>
        {id !== null && !current && (
          <p className="text-sm text-soft">Choose a class at the top right to set it to its learners.</p>
        )}
      </form>
      <ForEach id={changed ? null : id} view={look.data} task={draft.task} onChange={(task) => change({ task })} />
      {setting && one && id !== null && (
        <SetWork one={one} first={{ kind: 'writing', taskId: id }} onClose={() => setSetting(false)} />
      )}
    </div>
  )
}
