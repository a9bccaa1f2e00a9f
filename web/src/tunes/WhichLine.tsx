import { useInstruments } from '../api/instruments'
import type { LinesForWhom, ScoreLines } from '../api/client'
import { useCurrentClass } from '../register/queries'
import { Asked } from '../ui/Asked'
import { Button } from '../ui/Button'
import { Dialog } from '../ui/Dialog'
import { Field, Select } from '../ui/Field'
import { Refused } from '../ui/Said'
import { useToast } from '../ui/toasts'
import { useChooseLearnerLine, useChooseLines, useLearnerLines, useLines } from './queries'
import { several } from '../ui/several'

const MOVED = ''

/** Which line of a score each instrument, and each learner, reads. Each choice is kept at once. */
export function WhichLine({ id, title, onClose }: { id: number; title: string; onClose: () => void }) {
  const lines = useLines(id)
  const instruments = useInstruments().data ?? []
  const choose = useChooseLines(id)
  const toast = useToast()
  const found = lines.data
  const set = (change: (chosen: LinesForWhom) => LinesForWhom, what: string) => {
    let before: LinesForWhom | undefined
    choose.mutate(
      (chosen) => {
        before = chosen
        return change(chosen)
      },
      {
        onSuccess: () =>
          toast({ text: what, action: { label: 'Undo', run: () => choose.mutate((chosen) => before ?? chosen) } }),
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
                  onChoose={(key) =>
                    set(
                      (chosen) => {
                        const others = Object.fromEntries(Object.entries(chosen.for).filter(([who]) => who !== i.id))
                        return { ...chosen, for: key === MOVED ? others : { ...others, [i.id]: key } }
                      },
                      `${i.name}: ${key === MOVED ? 'the main line, moved' : nameOf(key)}.`,
                    )
                  }
                />
              </Field>
            ))}
            <ByLearner id={id} nameOf={nameOf} lines={found.lines} />
            <Field label="Main line">
              <Select
                size="usual"
                value={found.chosen.main}
                options={found.lines.map((l) => ({ value: l.key, label: l.name }))}
                onChoose={(main) => set((chosen) => ({ ...chosen, main }), `The main line is ${nameOf(main)}.`)}
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
                    · {l.clef} clef · {several(l.notes, 'note')} · {l.firstNotes.join(' ')} …
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

/** The learners of the class that is chosen, one by one: a duet goes by who sits where, not by instruments alone. */
function ByLearner({ id, lines, nameOf }: { id: number; lines: ScoreLines['lines']; nameOf: (key: string) => string }) {
  const [current] = useCurrentClass()
  const classId = current?.id ?? 0
  const learners = useLearnerLines(classId, id)
  const choose = useChooseLearnerLine(classId, id)
  const toast = useToast()
  if (!current || !learners.data || learners.data.length === 0) return null
  return (
    <details className="border-y border-line py-2">
      <summary className="cursor-pointer font-bold max-md:min-h-11">Single learners of {current.name}</summary>
      <ul className="mt-2 flex flex-col gap-2">
        {learners.data.map((l) => (
          <li key={l.learnerId}>
            <Field label={<span className="inline-block w-28 truncate">{l.nickname}</span>} beside>
              <Select
                size="small"
                aria-label={`Line for ${l.nickname}`}
                value={l.line ?? MOVED}
                options={[
                  { value: MOVED, label: 'as their instrument' },
                  ...lines.map((line) => ({ value: line.key, label: line.name })),
                ]}
                onChoose={(key) => {
                  const before = l.line ?? null
                  const line = key === MOVED ? null : key
                  choose.mutate(
                    { learner: l.learnerId, line },
                    {
                      onSuccess: () =>
                        toast({
                          text: `${l.nickname}: ${line === null ? 'as their instrument' : nameOf(line)}.`,
                          action: {
                            label: 'Undo',
                            run: () => choose.mutate({ learner: l.learnerId, line: before }),
                          },
                        }),
                      onError: (refusal) => toast({ text: refusal.message }),
                    },
                  )
                }}
              />
            </Field>
          </li>
        ))}
      </ul>
    </details>
  )
}
