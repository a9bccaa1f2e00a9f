import { useParams, useSearchParams } from 'react-router'
import { Asked } from '../ui/Asked'
import { Field, Select } from '../ui/Field'
import { Screen } from '../ui/Screen'
import { Strip } from '../ui/Strip'
import { TextLink } from '../ui/TextLink'
import { Tick } from '../ui/Tick'
import { SeenStaff } from './SeenStaff'
import { PaletteStaff } from './PaletteStaff'
import { begun, type DeskTask } from './piece'
import { PracticeLines } from './PracticeLines'
import { useTask } from './queries'
import { PrintEnd } from '../ui/PrintEnd'

const WIDTH_PX = 700
/** Large enough to write in; two bars in a line. */
const SPACE_PX = 12
const ALL = 'all'

/** A task on paper: what to practise first, the palette, the rules, and empty bars. A page for each instrument. */
export function TaskSheet() {
  const id = Number(useParams().id)
  const [search, setSearch] = useSearchParams()
  const task = useTask(id)
  const only = search.get('for') ?? ALL
  const practice = search.get('practice') !== 'no'
  const set = (changed: Record<string, string>) =>
    setSearch({ for: only, practice: practice ? 'yes' : 'no', ...changed }, { replace: true })
  const players = task.data?.for.filter((t) => only === ALL || t.instrument === only) ?? []
  return (
    <Screen title={`${task.data?.title ?? 'A task'}: sheet`}>
      <style>{'@page { size: A4; }'}</style>
      <Strip lead={<TextLink to={`/desk/${id}`}>Back to the task</TextLink>}>
        <Field label="For" beside>
          <Select
            value={only}
            options={[
              { value: ALL, label: 'all instruments, a page each' },
              ...(task.data?.for ?? []).map((t) => ({ value: t.instrument, label: t.instrumentName })),
            ]}
            onChoose={(one) => set({ for: one })}
          />
        </Field>
        <Tick checked={practice} onChange={(on) => set({ practice: on ? 'yes' : 'no' })}>
          Lines to practise first
        </Tick>
        <PrintEnd ready={players.length > 0} />
      </Strip>
      <Asked of={task}>
        <div className="mx-auto max-w-full overflow-x-auto bg-white print:overflow-visible" style={{ width: WIDTH_PX }}>
          {players.map((t, i) => (
            <section
              key={t.instrument}
              className={`flex flex-col gap-4 py-6 print:py-0 ${i < players.length - 1 ? 'break-after-page' : ''}`}
              data-testid="task-page"
            >
              <OnPaper title={task.data?.title ?? ''} task={t} practice={practice} />
            </section>
          ))}
        </div>
      </Asked>
    </Screen>
  )
}

function OnPaper({ title, task, practice }: { title: string; task: DeskTask; practice: boolean }) {
  return (
    <>
      <header className="flex flex-wrap items-end justify-between gap-x-6 border-b-2 border-ink pb-1">
        <div>
          <h1 className="text-2xl">{title}</h1>
          <p className="text-sm">
            For {task.instrumentName.toLowerCase()} · {task.keyName} · {task.beats}/{task.unit}
          </p>
        </div>
        <p className="text-sm">
          Name <span className="inline-block w-48 border-b border-ink" />
        </p>
      </header>
      {practice && <PracticeLines task={task} widthPx={WIDTH_PX} />}
      <div className="flex flex-wrap items-start justify-between gap-x-8 print:flex-nowrap">
        <div>
          <h2 className="text-lg">Your notes</h2>
          <PaletteStaff task={task} onNote={null} keys={false} />
        </div>
        <div className="max-w-80">
          <h2 className="text-lg">The rules</h2>
          <ul className="list-disc pl-5 text-sm">
            {task.rules.map((rule) => (
              <li key={rule}>{rule}</li>
            ))}
          </ul>
        </div>
      </div>
      <div className="break-inside-avoid">
        <h2 className="text-lg">Your piece</h2>
        <SeenStaff
          task={task}
          piece={begun(task)}
          room={WIDTH_PX}
          space={SPACE_PX}

          label="Empty bars"
        />
      </div>
    </>
  )
}
