import { useInstruments } from '../api/instruments'
import { Select } from '../ui/Field'
import { TextLink } from '../ui/TextLink'
import { Tick } from '../ui/Tick'
import { PaletteStaff } from './PaletteStaff'
import type { TaskDoc, TaskView } from './queries'

/** What each player sees of a task: the palette on their clef and string, and the rules. */
export function ForEach({
  id,
  view,
  task,
  onChange,
}: {
  /** The kept task; null where it is not kept as it stands. */
  id: number | null
  view: TaskView | undefined
  task: TaskDoc
  onChange: (task: TaskDoc) => void
}) {
  const instruments = useInstruments().data ?? []
  const ids = instruments.map((i) => i.id)
  const chosen = (list: readonly string[]) => ids.filter((i) => list.includes(i))
  return (
    <section aria-labelledby="for-each" className="min-w-0">
      <h2 id="for-each" className="text-xl">
        What each player sees
      </h2>
      <div className="mb-3 flex flex-wrap gap-x-4">
        {instruments.map((i) => (
          <Tick
            key={i.id}
            checked={task.instruments.includes(i.id)}
            onChange={(on) =>
              onChange({
                ...task,
                instruments: chosen(on ? [...task.instruments, i.id] : task.instruments.filter((x) => x !== i.id)),
              })
            }
          >
            {i.name}
          </Tick>
        ))}
      </div>
      <ul className="flex flex-col">
        {view?.for.map((t) => (
          <li key={t.instrument} className="flex flex-wrap items-center gap-x-8 gap-y-1 border-t border-line py-2">
            <div className="w-28">
              <h3 className="text-lg">{t.instrumentName}</h3>
              {t.tonics.length > 1 && (
                <label className="block text-sm text-soft">
                  begins on{' '}
                  <Select
                    size="fine"
                    value={t.tonic}
                    options={t.tonics.map((x) => ({ value: x, label: x }))}
                    onChoose={(tonic) => onChange({ ...task, tonics: { ...task.tonics, [t.instrument]: tonic } })}
                  />
                </label>
              )}
              {id !== null && <TextLink to={`/desk/${id}/try?for=${t.instrument}`}>Try it</TextLink>}
            </div>
            <PaletteStaff task={t} onNote={null} keys={false} />
          </li>
        ))}
      </ul>
      {view?.for[0] && (
        <div className="mt-2 border-t border-line pt-2">
          <h3 className="text-lg">The rules, as a child reads them</h3>
          <ul className="list-disc pl-5">
            {view.for[0].rules.map((rule) => (
              <li key={rule}>{rule}</li>
            ))}
          </ul>
        </div>
      )}
    </section>
  )
}
