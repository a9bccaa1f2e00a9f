import { useDeferredValue } from 'react'
import { useNavigate } from 'react-router'
import type { Stage } from '../api/client'
import { useStyles } from '../style'
import { Button } from '../ui/Button'
import { Field, Input, Select } from '../ui/Field'
import { keepChanged, useKept } from '../offline/kept'
import { Refused, SideNote } from '../ui/Said'
import { useToast } from '../ui/toasts'
import { useAddClass, useCurrentClass, useLearnerList, useStages } from '../register/queries'
import { Understood } from './Understood'
import { LIMITS } from '../api/limits'

type Draft = { name: string; list: string; stage: Stage | ''; minutes: number; style: number }

const EMPTY: Draft = { name: '', list: '', stage: 'firstFingers', minutes: 45, style: 0 }
const DRAFT = 'new-class'

/** A class in a minute: a name, a pasted list, and what it can play already. */
export function MakeClass() {
  const [kept] = useKept<Draft>(DRAFT)
  const draft = { ...EMPTY, ...kept }
  const set = (changed: Partial<Draft>) => keepChanged<Draft>(DRAFT, (now) => ({ ...EMPTY, ...now, ...changed }))
  const text = useDeferredValue(draft.list)
  const listed = useLearnerList(text)
  const stages = useStages().data ?? []
  const styles = useStyles().data ?? []
  const add = useAddClass()
  const [, choose] = useCurrentClass()
  const navigate = useNavigate()
  const toast = useToast()
  const learners = draft.list.trim() ? (listed.data ?? []) : []
  const wrong = learners.filter((l) => l.wrong !== null)
  const make = () =>
    add.mutate(
      {
        name: draft.name,
        learners: learners.map(({ nickname, instrument, size }) => ({ nickname, instrument, size })),
        start: draft.stage === '' ? null : { stage: draft.stage },
        lessonMinutes: draft.minutes,
        styleId: draft.style === 0 ? null : draft.style,
      },
      {
        onSuccess: (made) => {
          // What was typed meanwhile is of the next one.
          keepChanged<Draft>(DRAFT, (now) => (now?.name === draft.name && now.list === draft.list ? null : now))
          choose(made.id)
          toast({ text: `“${made.name}” is made, and chosen at the top.` })
          void navigate(`/classes/${made.id}`)
        },
      },
    )
  return (
    <form
      className="flex flex-col gap-4"
      onSubmit={(e) => {
        e.preventDefault()
        make()
      }}
    >
      <h2 className="text-2xl">Make a class</h2>
      <Field label="Name of the class">
        <Input
          value={draft.name}
          maxLength={LIMITS.longestClassName}
          placeholder="Weir strings, year 1"
          onChange={(e) => set({ name: e.target.value })}
        />
      </Field>
      <div className="flex flex-col gap-1">
        <Field label="Who is in it: a line each, or rows of a table">
          <textarea
            className="min-h-32 rounded-md border border-line-dark bg-sheet px-3 py-2 font-normal"
            value={draft.list}
            spellCheck={false}
            placeholder={'Ada violin 3/4\nBo cello 1/2\nCy double bass'}
            onChange={(e) => set({ list: e.target.value })}
          />
        </Field>
        <p className="text-sm text-soft">
          Nickname, instrument, size. A list copied from a spreadsheet works too. Without a size it is the usual one.
        </p>
      </div>
      {listed.error && draft.list.trim() && <Refused>{listed.error.message}</Refused>}
      {learners.length > 0 && <Understood learners={learners} />}
      <div className="flex flex-wrap gap-x-6 gap-y-3">
        <Field label="It can play already">
          <Select
            size="usual"
            value={draft.stage}
            options={[
              { value: '' as const, label: 'nothing yet' },
              ...stages.map((s) => ({ value: s.stage, label: s.name })),
            ]}
            width="w-full max-w-100"
            onChoose={(stage) => set({ stage })}
          />
        </Field>
        <Field label="Lesson, minutes">
          <Input
            type="number"
            min={LIMITS.shortestLesson}
            max={LIMITS.longestLesson}
            width="w-24"
            value={draft.minutes}
            onChange={(e) => set({ minutes: Number(e.target.value) })}
          />
        </Field>
        {styles.length > 1 && (
          <Field label="House style">
            <Select
              size="usual"
              value={draft.style}
              options={[
                { value: 0, label: 'the one in force' },
                ...styles.map((s) => ({ value: s.id, label: s.name })),
              ]}
              onChoose={(style) => set({ style })}
            />
          </Field>
        )}
      </div>
      <SideNote loud={false}>
        Before you keep anything about children, look at your school’s and country’s rules for it; they come first.
        Coppia keeps a nickname, an instrument and its size, and what comes from home, on this machine only.
      </SideNote>
      {add.error && <Refused>{add.error.message}</Refused>}
      <div>
        <Button
          kind="go"
          type="submit"
          disabled={!draft.name.trim() || wrong.length > 0 || add.isPending || listed.isFetching || text !== draft.list}
        >
          {learners.length > 0 ? `Make the class of ${learners.length}` : 'Make the class'}
        </Button>
      </div>
    </form>
  )
}
