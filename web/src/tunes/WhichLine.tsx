import { useInstruments } from '../api/instruments'
import type { LinesForWhom } from '../api/client'
import { Asked } from '../ui/Asked'
import { Button } from '../ui/Button'
import { Dialog } from '../ui/Dialog'
import { Field, Select } from '../ui/Field'
import { Refused } from '../ui/Said'
import { useToast } from '../ui/toasts'
import { useChooseLines, useLines } from './queries'

const MOVED = ''

/** Which line of a score each instrument reads. Each choice is kept at once. */
export function WhichLine({ id, title, onClose }: { id: number; title: string; onClose: () => void }) {
  const lines = useLines(id)
  const instruments = useInstruments().data ?? []
  const choose = useChooseLines()
  const toast = useToast()
  const found = lines.data
  const set = (choice: LinesForWhom, what: string) => {
    const before = found?.chosen
    const version = found?.version ?? 0
    choose.mutate(
      { id, choice: { ...choice, version } },
      {
        onSuccess: () =>
          before &&
          toast({
            text: what,
            action: {
              label: 'Undo',
              run: () => choose.mutate({ id, choice: { ...before, version: version + 1 } }),
            },
          }),
      },
    )
  }
  const nameOf = (key: string) => found?.lines.find((l) => l.key === key)?.name ?? key
  return (
    <Dialog title="Which line for whom" wide onClose={onClose}>
      <p className="mb-4 max-w-prose">
        The score of “{title}” has {found?.lines.length ?? 'several'} lines. Each instrument reads the one chosen here;
        who has none reads the main line, moved into its clef and octave.
      </p>
      <Asked of={lines}>{null}</Asked>
      {found && (
        <div className="grid gap-6 md:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
          <div className="flex flex-col gap-3">
            {instruments.map((i) => (
              <Field key={i.id} label={i.name}>
                <Select
                  size="usual"
                  value={found.chosen.for[i.id] ?? MOVED}
                  options={[
                    { value: MOVED, label: `The main line, moved (${nameOf(found.chosen.main)})` },
                    ...found.lines.map((l) => ({ value: l.key, label: l.name })),
                  ]}
                  onChoose={(key) => {
                    const others = Object.fromEntries(Object.entries(found.chosen.for).filter(([who]) => who !== i.id))
                    set(
                      { ...found.chosen, for: key === MOVED ? others : { ...others, [i.id]: key } },
                      `${i.name}: ${key === MOVED ? 'the main line, moved' : nameOf(key)}.`,
                    )
                  }}
                />
              </Field>
            ))}
            <Field label="Main line">
              <Select
                size="usual"
                value={found.chosen.main}
                options={found.lines.map((l) => ({ value: l.key, label: l.name }))}
                onChoose={(main) => set({ ...found.chosen, main }, `The main line is ${nameOf(main)}.`)}
              />
            </Field>
          </div>
          <section aria-label="Lines of the score">
            <h3 className="mb-1 font-body text-base font-bold">The lines</h3>
            <ul>
              {found.lines.map((l) => (
                <li key={l.key} className="border-b border-line py-1.5">
                  <strong>{l.name}</strong>
                  <span className="text-sm text-soft">
                    {' '}
                    · {l.clef} clef · {l.notes} notes · {l.firstNotes.join(' ')} …
                  </span>
                </li>
              ))}
            </ul>
          </section>
        </div>
      )}
      {choose.error && (
        <div className="mt-3">
          <Refused>{choose.error.message}</Refused>
        </div>
      )}
      <div className="mt-5">
        <Button kind="go" onClick={onClose}>
          Done
        </Button>
      </div>
    </Dialog>
  )
}
