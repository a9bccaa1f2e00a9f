import { useDeferredValue, useState } from 'react'
import type { TuneDetail } from '../api/client'
import { useCheck, useSaveTune } from './queries'
import { useInstruments } from '../api/instruments'
import { Button } from '../ui/Button'
import { Dialog } from '../ui/Dialog'
import { Field, Input, Select } from '../ui/Field'
import { Refused } from '../ui/Said'
import { SourceField } from './SourceField'

/** Title, composer, instrument and source of a kept tune. Two editors never overwrite one another unseen. */
export function EditTune({ tune, onClose }: { tune: TuneDetail; onClose: () => void }) {
  const [title, setTitle] = useState(tune.summary.title)
  const [composer, setComposer] = useState(tune.summary.composer)
  const [printedFor, setPrintedFor] = useState(tune.summary.printedFor)
  const [source, setSource] = useState(tune.source)
  const [version, setVersion] = useState(tune.summary.version)
  const [theirs, setTheirs] = useState<TuneDetail | null>(null)
  const check = useCheck(useDeferredValue(source))
  const save = useSaveTune()
  const instruments = useInstruments().data ?? []
  const errors = check.data?.errors ?? []
  const changed =
    title !== tune.summary.title ||
    composer !== tune.summary.composer ||
    printedFor !== tune.summary.printedFor ||
    source !== tune.source

  const keep = (over: number) =>
    save.mutate(
      { id: tune.summary.id, version: over, source, title, composer, printedFor },
      { onSuccess: onClose, onError: (refusal) => refusal.current && setTheirs(refusal.current) },
    )
  const takeTheirs = (other: TuneDetail) => {
    setTitle(other.summary.title)
    setComposer(other.summary.composer)
    setPrintedFor(other.summary.printedFor)
    setSource(other.source)
    setVersion(other.summary.version)
    setTheirs(null)
    save.reset()
  }
  const close = () => {
    if (!changed || window.confirm('Leave without saving your changes?')) onClose()
  }

  return (
    <Dialog title={`Edit “${tune.summary.title}”`} wide onClose={close}>
      <div className="grid gap-4 sm:grid-cols-[2fr_2fr_1fr]">
        <Field label="Title">
          <Input value={title} maxLength={200} onChange={(e) => setTitle(e.target.value)} />
        </Field>
        <Field label="Composer">
          <Input value={composer} maxLength={200} onChange={(e) => setComposer(e.target.value)} />
        </Field>
        <Field label="Printed for">
          <Select
            size="usual"
            value={printedFor}
            options={instruments.map((i) => ({ value: i.id, label: i.name }))}
            onChoose={setPrintedFor}
          />
        </Field>
      </div>
      <div className={`mt-4 grid gap-5 ${theirs ? 'sm:grid-cols-2' : ''}`}>
        <SourceField
          label={theirs ? 'Your text' : 'Tune text'}
          value={source}
          onChange={setSource}
          errors={errors}
          rows={12}
        />
        {theirs && (
          <section aria-label="The other save">
            <h3 className="font-body text-base font-bold">
              Saved meanwhile: “{theirs.summary.title}”, {new Date(theirs.summary.changedAt).toLocaleTimeString()}
            </h3>
            <pre className="mt-1 max-h-[46vh] overflow-auto rounded-md border border-line-dark bg-sheet px-3 py-2 text-sm leading-6">
              {theirs.source}
            </pre>
          </section>
        )}
      </div>
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
            disabled={!changed || errors.length > 0 || title.trim() === '' || save.isPending}
            onClick={() => keep(version)}
          >
            Save
          </Button>
        )}
        <Button onClick={close}>Cancel</Button>
      </div>
    </Dialog>
  )
}
