import { useDeferredValue, useRef, useState } from 'react'
import { useSearchParams } from 'react-router'
import type { TuneSummary } from '../api/client'
import { useInstruments } from '../api/instruments'
import { usePrefetchReading } from '../stand/queries'
import { Asked } from '../ui/Asked'
import { Button } from '../ui/Button'
import { Dialog } from '../ui/Dialog'
import { Field, Input } from '../ui/Field'
import { Screen } from '../ui/Screen'
import { TextButton } from '../ui/TextLink'
import { useDeletedTunes, useDeleteTune, useDuplicateTune, useRestoreTune, useTune, useTunes } from './queries'
import { useToast } from '../ui/toasts'
import { useGrowing } from '../ui/useGrowing'
import { useKeys } from '../ui/useKeys'
import { AddTune } from './AddTune'
import { DeletedTunes } from './DeletedTunes'
import { EditTune } from './EditTune'
import { TuneRow } from './TuneRow'

/** The library. What is searched for is part of the address, so that coming back finds it again. */
export function Tunes() {
  const [address, setAddress] = useSearchParams()
  const search = address.get('q') ?? ''
  const [editing, setEditing] = useState<number | null>(null)
  const [showDeleted, setShowDeleted] = useState(false)
  const tunes = useTunes(useDeferredValue(search))
  const deleted = useDeletedTunes().data?.length ?? 0
  const names = new Map(useInstruments().data?.map((i) => [i.id, i.name]))
  const prefetch = usePrefetchReading()
  const duplicate = useDuplicateTune()
  const remove = useDeleteTune()
  const restore = useRestoreTune()
  const toast = useToast()
  const tell = (refusal: Error) => toast({ text: refusal.message })
  const field = useRef<HTMLInputElement>(null)
  const rows = useRef<HTMLUListElement>(null)
  /** From the tune that has the focus to another; the first where none has it. */
  const walk = (by: 1 | -1) => {
    const links = [...(rows.current?.querySelectorAll<HTMLElement>('[data-tune]') ?? [])]
    const at = links.indexOf(document.activeElement as HTMLElement)
    links[at < 0 ? 0 : Math.min(links.length - 1, Math.max(0, at + by))]?.focus()
  }
  useKeys({ '/': () => field.current?.focus(), ArrowDown: () => walk(1), ArrowUp: () => walk(-1) })

  const discard = (tune: TuneSummary) =>
    remove.mutate(tune.id, {
      onSuccess: () =>
        toast({
          text: `“${tune.title}” is deleted.`,
          action: { label: 'Undo', run: () => restore.mutate(tune.id, { onError: tell }) },
        }),
      onError: tell,
    })
  const copy = (tune: TuneSummary) =>
    duplicate.mutate(tune.id, {
      onSuccess: (made) => toast({ text: `“${made.summary.title}” is in the list.` }),
      onError: tell,
    })

  const list = tunes.data
  const { shown, more, end } = useGrowing(list?.length ?? 0)
  return (
    <Screen className="grid min-h-0 flex-1 grid-cols-1 content-start overflow-y-auto lg:grid-cols-[minmax(0,1fr)_27rem] lg:content-stretch lg:overflow-hidden">
      <section aria-labelledby="tunes-heading" className="flex min-w-0 flex-col px-3 pt-3 md:px-8 md:pt-6 lg:min-h-0">
        <div className="mb-2 flex flex-wrap items-end justify-between gap-x-6 gap-y-2">
          <h1 id="tunes-heading" className="text-3xl">
            Tunes
          </h1>
          {/* On a narrow screen the field to paste into lies below the list. */}
          <a
            href="#add"
            className="mr-auto min-h-6 content-center font-bold text-spruce underline underline-offset-4 max-md:min-h-11 lg:hidden"
          >
            Add a tune
          </a>
          <Field
            beside
            label={
              <>
                Search <kbd className="max-md:hidden">/</kbd>
              </>
            }
          >
            <Input
              ref={field}
              type="search"
              size="strip"
              width="w-full md:w-56"
              value={search}
              onChange={(e) => setAddress(e.target.value ? { q: e.target.value } : {}, { replace: true })}
            />
          </Field>
        </div>
        <Asked of={tunes}>{null}</Asked>
        {list && list.length > 0 && (
          <ul ref={rows} className="flex-1 pb-4 md:pr-2 lg:min-h-0 lg:overflow-y-auto" aria-label="Tunes">
            {list.slice(0, shown).map((tune) => (
              <TuneRow
                key={tune.id}
                tune={tune}
                printedFor={names.get(tune.printedFor) ?? tune.printedFor}
                onLook={() => void prefetch(tune.id, tune.printedFor)}
                onEdit={() => setEditing(tune.id)}
                onDuplicate={() => copy(tune)}
                onDelete={() => discard(tune)}
              />
            ))}
            {more && <li ref={end} key={`end ${shown}`} aria-hidden="true" />}
          </ul>
        )}
        {list && list.length === 0 && (search ? <p className="py-8">No title has “{search}” in it.</p> : <FirstTune />)}
        {deleted > 0 && (
          <p className="py-2 text-sm">
            <TextButton onClick={() => setShowDeleted(true)}>
              Deleted: {deleted} {deleted === 1 ? 'tune' : 'tunes'}
            </TextButton>
          </p>
        )}
      </section>
      <div id="add" className="border-line px-3 py-6 md:px-7 lg:min-h-0 lg:overflow-y-auto lg:border-l">
        <AddTune />
      </div>
      {editing !== null && <EditById id={editing} onClose={() => setEditing(null)} />}
      {showDeleted && <DeletedTunes onClose={() => setShowDeleted(false)} />}
    </Screen>
  )
}

function EditById({ id, onClose }: { id: number; onClose: () => void }) {
  const tune = useTune(id)
  // What was left before it came must not open afterwards.
  useKeys(tune.isPending ? { Escape: onClose } : {})
  if (tune.data) return <EditTune tune={tune.data} onClose={onClose} />
  return tune.error ? (
    <Dialog title="The tune cannot be opened" onClose={onClose}>
      <Asked of={tune}>{null}</Asked>
      <Button onClick={onClose}>Close</Button>
    </Dialog>
  ) : null
}

function FirstTune() {
  return (
    <div className="max-w-lg py-8 leading-relaxed">
      <h2 className="mb-2 text-xl">No tunes yet</h2>
      <p className="mb-3">
        Paste a tune into the field beside or below. ABC is music as plain text: a few header lines, then the notes. The
        letters D E F G are the notes from middle C’s octave, small letters the octave above, a number after a letter
        makes it longer, and | is a barline. K:D at the end of the header says the key, so F and C are sharp by
        themselves.
      </p>
      <p>
        “Try the example” fills in a short one. A file from a notation program, saved as MusicXML, can be dropped here
        as well.
      </p>
    </div>
  )
}
