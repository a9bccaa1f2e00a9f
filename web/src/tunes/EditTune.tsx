import { timeOf } from '../calendar/days'
import { useQueryClient } from '@tanstack/react-query'
import { useDeferredValue, useState } from 'react'
import type { TuneDetail } from '../api/client'
import { useCheck, useSaveTune } from './queries'
import { useInstruments } from '../api/instruments'
import { Button } from '../ui/Button'
import { Dialog } from '../ui/Dialog'
import { Field, Input, Select } from '../ui/Field'
import { Refused } from '../ui/Said'
import { useToast } from '../ui/toasts'
import { LiveStaff } from './LiveStaff'
import { SourceField } from './SourceField'
import { useTuneDraft, type TuneDraft } from './useTuneDraft'
import { LIMITS } from '../api/limits'

const draftOf = ({ summary, source }: TuneDetail): TuneDraft => ({
  title: summary.title,
  composer: summary.composer,
  printedFor: summary.printedFor,
  source,
  version: summary.version,
})

const isSame = (a: TuneDraft, b: TuneDraft) =>
  a.title === b.title && a.composer === b.composer && a.printedFor === b.printedFor && a.source === b.source

/**
 * Title, composer, instrument and source of a kept tune. What was changed and not saved waits when this is closed, and
 * two editors never overwrite one another unseen.
 */
export function EditTune({ tune, onClose }: { tune: TuneDetail; onClose: () => void }) {
  const { id } = tune.summary
  const saved = draftOf(tune)
  const [kept, setKept] = useTuneDraft(id)
  const draft = kept ?? saved
  const [theirs, setTheirs] = useState<TuneDetail | null>(null)
  const [wasBegun] = useState(kept !== null)
  const toast = useToast()
  const queries = useQueryClient()
  const check = useCheck(useDeferredValue(draft.source), id)
  const save = useSaveTune()
  const instruments = useInstruments().data ?? []
  const errors = check.data?.errors ?? []
  const changed = !isSame(draft, saved)

  const set = (part: Partial<TuneDraft>) => {
    if (!theirs) save.reset() // what was refused was another text
    const next = { ...draft, ...part }
    setKept(isSame(next, saved) ? null : next)
  }
  const keep = (version: number) =>
    save.mutate(
      { id, ...draft, version },
      {
        onSuccess: () => {
          setKept(null)
          onClose()
        },
        onError: (refusal) => refusal.current && setTheirs(refusal.current),
      },
    )
  const discard = () => {
    const lost = kept
    setKept(null)
    if (lost)
      toast({
        text: `Your changes of “${saved.title}” are discarded.`,
        action: { label: 'Undo', run: () => setKept(lost) },
      })
  }
  const takeTheirs = (other: TuneDetail) => {
    discard()
    queries.setQueryData(['tune', id], other)
    setTheirs(null)
    save.reset()
  }
  const close = () => {
    if (changed) toast({ text: `Your changes of “${saved.title}” are not saved; they wait in Edit.` })
    onClose()
  }

  return (
    <Dialog title={`Edit “${saved.title}”`} wide onClose={close}>
      {wasBegun && changed && !theirs && (
        <p className="mb-3 border-l-4 border-maple pl-3 text-sm">These are your changes from before, not saved yet.</p>
      )}
      <div className="grid gap-4 sm:grid-cols-[2fr_2fr_1fr]">
        <Field label="Title">
          <Input
            value={draft.title}
            maxLength={LIMITS.longestTuneTitle}
            onChange={(e) => set({ title: e.target.value })}
          />
        </Field>
        <Field label="Composer">
          <Input value={draft.composer} maxLength={200} onChange={(e) => set({ composer: e.target.value })} />
        </Field>
        <Field label="Printed for">
          <Select
            size="usual"
            value={draft.printedFor}
            options={instruments.map((i) => ({ value: i.id, label: i.name }))}
            onChoose={(printedFor) => set({ printedFor })}
          />
        </Field>
      </div>
      <div className={`mt-4 grid gap-5 ${theirs ? 'sm:grid-cols-2' : ''}`}>
        <SourceField
          label={theirs ? 'Your text' : 'Tune text'}
          value={draft.source}
          onChange={(source) => set({ source })}
          errors={errors}
          rows={12}
        />
        {theirs && (
          <section aria-label="The other save">
            <h3 className="font-body text-base font-bold">
              Saved meanwhile: “{theirs.summary.title}”, {timeOf(theirs.summary.changedAt)}
            </h3>
            <pre className="mt-1 max-h-[46vh] overflow-auto rounded-md border border-line-dark bg-sheet px-3 py-2 text-sm leading-6">
              {theirs.source}
            </pre>
          </section>
        )}
      </div>
      {!theirs && <LiveStaff musicXml={check.data?.musicXml} label="The notes as they are read" />}
      {draft.title.trim() === '' && (
        <p className="mt-3 text-sm text-brick">A tune needs a title of 1 to 200 characters.</p>
      )}
      {save.error && save.error.errors.length === 0 && (
        <div className="mt-3">
          <Refused>
            {save.error.message}
            {theirs && ' Both texts are shown; nothing is lost until you choose.'}
          </Refused>
        </div>
      )}
      <div className="mt-5 flex flex-wrap gap-3">
        {theirs ? (
          <>
            <Button kind="go" onClick={() => keep(theirs.summary.version)}>
              Save mine over it
            </Button>
            <Button onClick={() => takeTheirs(theirs)}>Take the other one</Button>
          </>
        ) : (
          <Button
            kind="go"
            disabled={!changed || errors.length > 0 || draft.title.trim() === '' || save.isPending}
            onClick={() => keep(draft.version)}
          >
            Save
          </Button>
        )}
        {changed && !theirs && <Button onClick={() => discard()}>Discard my changes</Button>}
        <Button onClick={close}>Close</Button>
      </div>
    </Dialog>
  )
}
