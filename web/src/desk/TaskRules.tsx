import { useValueNames } from '../api/values'
import { Choice } from '../ui/Choice'
import { Button } from '../ui/Button'
import { Field, Input, Select } from '../ui/Field'
import { Tick } from '../ui/Tick'
import type { TaskDoc, TaskView } from './queries'

const KEYS = ['C', 'G', 'D', 'A', 'E', 'F', 'Bb', 'Eb', 'Am', 'Em', 'Bm', 'Dm', 'Gm', 'Cm']
const METERS = ['4/4', '3/4', '2/4', '6/8']
/** The shortest that a first piece is written with. */
const SHORTEST = '1/8'

/** A value in and out of a list. */
const toggled = (list: readonly string[], value: string, on: boolean) =>
  on ? [...list, value] : list.filter((v) => v !== value)

/** The rules of a task, each to be changed. */
export function TaskRules({
  task,
  view,
  onChange,
}: {
  task: TaskDoc
  view: TaskView | undefined
  onChange: (task: TaskDoc) => void
}) {
  const names = useValueNames()
  const values = names.slice(0, names.findIndex((v) => v.value === SHORTEST) + 1)
  const set = (changed: Partial<TaskDoc>) => onChange({ ...task, ...changed })
  const steps = view?.steps ?? []
  const own = (list: readonly string[], value: string) => (list.includes(value) ? list : [...list, value])
  return (
    <>
      <div className="flex flex-wrap gap-4">
        <Field label="Key">
          <Select
            value={task.key}
            options={own(KEYS, task.key).map((k) => ({ value: k, label: k }))}
            onChoose={(key) => set({ key, tonics: {} })}
          />
        </Field>
        <Field label="Meter">
          <Select
            value={task.meter}
            options={own(METERS, task.meter).map((m) => ({ value: m, label: m }))}
            onChoose={(meter) => set({ meter })}
          />
        </Field>
        <Field label="Bars">
          <Input
            size="strip"
            type="number"
            min={1}
            max={32}
            width="w-20"
            value={task.bars}
            onChange={(e) => set({ bars: Number(e.target.value) })}
          />
        </Field>
        <Field label="Most rests">
          <Input
            size="strip"
            type="number"
            min={0}
            max={99}
            width="w-20"
            placeholder="any"
            value={task.mostRests ?? ''}
            onChange={(e) => set({ mostRests: e.target.value === '' ? null : Number(e.target.value) })}
          />
        </Field>
      </div>
      <fieldset>
        <legend className="mb-1 font-bold">Notes of the palette</legend>
        <div className="flex flex-wrap gap-1">
          {steps.map((s) => {
            const on = task.steps.includes(s.step)
            return (
              <button
                key={s.step}
                type="button"
                aria-pressed={on}
                onClick={() => set({ steps: toggled(task.steps, s.step, !on) })}
                className="min-h-8 min-w-11 rounded-md border border-line-dark bg-sheet px-2 text-sm hover:bg-maple-pale aria-pressed:border-spruce aria-pressed:bg-spruce aria-pressed:font-bold aria-pressed:text-paper max-md:min-h-11"
              >
                {s.name}
                <span className="ml-1 text-xs opacity-80">{s.step}</span>
              </button>
            )
          })}
        </div>
        <p className="mt-1 text-sm text-soft">
          The small number is the step of the scale. A step that a first hand does not reach is left out on that
          instrument.
        </p>
      </fieldset>
      <fieldset>
        <legend className="mb-1 font-bold">Values of notes and rests</legend>
        <div className="flex flex-wrap gap-x-4">
          {values.map((v) => (
            <Tick
              key={v.value}
              checked={task.values.includes(v.value)}
              onChange={(on) => set({ values: toggled(task.values, v.value, on) })}
            >
              {v.name}
            </Tick>
          ))}
        </div>
      </fieldset>
      <Given task={task} steps={steps} onChange={(fixed) => set({ fixed })} />
      <Choice
        label="Written"
        value={task.byHand ? 'hand' : 'desk'}
        options={[
          { value: 'desk', label: 'the desk draws' },
          { value: 'hand', label: 'heads and stems by hand' },
        ]}
        onChange={(how) => set({ byHand: how === 'hand' })}
      />
      <Tick checked={task.letters} onChange={(letters) => set({ letters })}>
        Letters under the notes
      </Tick>
    </>
  )
}

/** The notes that may not be changed. */
function Given({
  task,
  steps,
  onChange,
}: {
  task: TaskDoc
  steps: TaskView['steps']
  onChange: (fixed: TaskDoc['fixed']) => void
}) {
  const change = (at: number, changed: Partial<TaskDoc['fixed'][number]>) =>
    onChange(task.fixed.map((f, i) => (i === at ? { ...f, ...changed } : f)))
  const inPalette = steps.filter((s) => task.steps.includes(s.step))
  return (
    <fieldset>
      <legend className="mb-1 font-bold">Given notes, which stay</legend>
      <ul className="flex flex-col gap-1">
        {task.fixed.map((f, i) => (
          <li key={i} className="flex flex-wrap items-center gap-1.5 text-sm">
            <Select
              size="small"
              aria-label={`Given note ${i + 1}: first or last of its bar`}
              value={f.at}
              options={[
                { value: 'first', label: 'first note' },
                { value: 'last', label: 'last note' },
              ]}
              onChoose={(at) => change(i, { at })}
            />
            of bar
            <Input
              size="small"
              type="number"
              aria-label={`Given note ${i + 1}: bar`}
              min={1}
              max={task.bars}
              width="w-14"
              value={f.bar}
              onChange={(e) => change(i, { bar: Number(e.target.value) })}
            />
            is
            <Select
              size="small"
              aria-label={`Given note ${i + 1}: which`}
              value={f.step}
              options={[
                ...inPalette.map((s) => ({ value: s.step, label: `${s.name} (${s.step})` })),
                ...(inPalette.some((s) => s.step === f.step)
                  ? []
                  : [{ value: f.step, label: `${f.step}, not in the palette` }]),
              ]}
              onChoose={(step) => change(i, { step })}
            />
            <Button size="inline" onClick={() => onChange(task.fixed.filter((_, k) => k !== i))}>
              Take away<span className="sr-only"> the given note of bar {f.bar}</span>
            </Button>
          </li>
        ))}
      </ul>
      <div className="mt-1 flex flex-wrap gap-2">
        <Button
          size="small"
          onClick={() =>
            onChange([...task.fixed, { bar: task.bars, at: 'last', step: task.steps[0] ?? '1', value: null }])
          }
        >
          Give a note
        </Button>
        {task.fixed.length === 0 && (
          <Button
            size="small"
            onClick={() =>
              onChange([
                { bar: Math.max(1, Math.floor(task.bars / 2)), at: 'last', step: '5', value: null },
                { bar: task.bars, at: 'last', step: '1', value: null },
              ])
            }
          >
            The usual endings
          </Button>
        )}
      </div>
    </fieldset>
  )
}
