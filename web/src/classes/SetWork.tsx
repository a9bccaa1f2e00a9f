import { useState } from 'react'
import type { ClassDetail } from '../api/client'
import { useInstruments } from '../api/instruments'
import { useTasks } from '../api/tasks'
import { useSheets } from '../exercises'
import { ALL_TUNES, useTunes } from '../tunes'
import { Button } from '../ui/Button'
import { Choice } from '../ui/Choice'
import { Dialog } from '../ui/Dialog'
import { Field, Input, Select } from '../ui/Field'
import { Refused } from '../ui/Said'
import { useSetWork, type NewWork } from '../register/queries'
import { inDays } from '../calendar/days'
import { LIMITS } from '../api/limits'

const DAYS_IN_WEEK = 7

/** Sets a tune, a sheet, the cards or a writing task to the class, a section or one learner. */
export function SetWork({
  one,
  first,
  onClose,
}: {
  one: ClassDetail
  /** A writing task that is chosen already. */
  first?: { kind: 'writing'; taskId: number }
  onClose: () => void
}) {
  const set = useSetWork(one.summary.id)
  const instruments = useInstruments().data ?? []
  const [kind, setKind] = useState<NewWork['kind']>(first?.kind ?? 'tune')
  const [search, setSearch] = useState('')
  const [tuneId, setTuneId] = useState<number | null>(null)
  const [sheetId, setSheetId] = useState<number | null>(null)
  const [taskId, setTaskId] = useState<number | null>(first?.taskId ?? null)
  const [tempo, setTempo] = useState('')
  const [whom, setWhom] = useState('all')
  const [due, setDue] = useState(() => inDays(DAYS_IN_WEEK))
  const tunes = useTunes({ ...ALL_TUNES, search }).data?.tunes ?? []
  const sheets = useSheets('').data?.pages.flatMap((page) => page.sheets) ?? []
  const tasks = useTasks().data ?? []
  const sections = instruments.filter((i) => one.learners.some((l) => l.instrument === i.id))
  const [by, of] = whom.split(':')
  const ready = { cards: true, tune: tuneId !== null, sheet: sheetId !== null, writing: taskId !== null }[kind]
  return (
    <Dialog title="Set something to practise" onClose={onClose}>
      <form
        className="flex flex-col gap-4"
        onSubmit={(e) => {
          e.preventDefault()
          set.mutate(
            {
              kind,
              due,
              tuneId: kind === 'tune' ? tuneId : null,
              sheetId: kind === 'sheet' ? sheetId : null,
              taskId: kind === 'writing' ? taskId : null,
              tempo: kind === 'tune' && tempo !== '' ? Number(tempo) : null,
              instrument: by === 'section' ? (of ?? null) : null,
              learnerId: by === 'learner' ? Number(of) : null,
            },
            { onSuccess: onClose },
          )
        }}
      >
        <Choice
          label="What"
          hideLabel
          value={kind}
          options={[
            { value: 'tune', label: 'A tune' },
            { value: 'sheet', label: 'A sheet' },
            { value: 'cards', label: 'Cards' },
            { value: 'writing', label: 'A writing task' },
          ]}
          onChange={setKind}
        />
        {kind === 'tune' && (
          <div className="flex flex-col gap-2">
            <Field label="Tune">
              <Input
                type="search"
                value={search}
                placeholder="words of its title"
                onChange={(e) => setSearch(e.target.value)}
              />
            </Field>
            <ul aria-label="Tunes to choose from" className="max-h-44 overflow-y-auto border-y border-line">
              {tunes.map((t) => (
                <li key={t.id}>
                  <label className="flex min-h-8 cursor-pointer items-center gap-2 px-1 hover:bg-maple-pale max-md:min-h-11">
                    <input
                      type="radio"
                      name="tune"
                      className="accent-spruce"
                      checked={tuneId === t.id}
                      onChange={() => setTuneId(t.id)}
                    />
                    <span className="min-w-0 flex-1 truncate">{t.title}</span>
                    <span className="text-sm text-soft">{t.fit?.words}</span>
                  </label>
                </li>
              ))}
            </ul>
            <Field label="Tempo to reach, quarters a minute (may stay empty)">
              <Input
                type="number"
                min={LIMITS.slowestTempo}
                max={LIMITS.fastestTempo}
                width="w-28"
                value={tempo}
                onChange={(e) => setTempo(e.target.value)}
              />
            </Field>
          </div>
        )}
        {kind === 'sheet' &&
          (sheets.length === 0 ? (
            <p>No sheet is kept yet: make one under Exercises.</p>
          ) : (
            <Field label="Sheet">
              <Select
                size="usual"
                value={sheetId ?? 0}
                options={[{ value: 0, label: 'choose …' }, ...sheets.map((s) => ({ value: s.id, label: s.heading }))]}
                onChoose={(id) => setSheetId(id === 0 ? null : id)}
              />
            </Field>
          ))}
        {kind === 'writing' &&
          (tasks.length === 0 ? (
            <p>No writing task is kept yet: make one at the Writing desk.</p>
          ) : (
            <Field label="Writing task">
              <Select
                size="usual"
                value={taskId ?? 0}
                options={[{ value: 0, label: 'choose …' }, ...tasks.map((t) => ({ value: t.id, label: t.title }))]}
                onChoose={(id) => setTaskId(id === 0 ? null : id)}
              />
            </Field>
          ))}
        {kind === 'cards' && <p>Each learner gets the cards that are due for them, of what the class knows.</p>}
        <div className="flex flex-wrap gap-4">
          <Field label="For">
            <Select
              size="usual"
              value={whom}
              options={[
                { value: 'all', label: 'everyone' },
                ...sections.map((i) => ({ value: `section:${i.id}`, label: i.name })),
                ...one.learners.map((l) => ({ value: `learner:${l.id}`, label: l.nickname })),
              ]}
              onChoose={setWhom}
            />
          </Field>
          <Field label="By">
            <Input type="date" value={due} onChange={(e) => setDue(e.target.value)} />
          </Field>
        </div>
        {set.error && <Refused>{set.error.message}</Refused>}
        <div className="flex gap-3">
          <Button kind="go" type="submit" disabled={!ready || !due || set.isPending}>
            Set it
          </Button>
          <Button onClick={onClose}>Cancel</Button>
        </div>
      </form>
    </Dialog>
  )
}
