import { useDeferredValue, useMemo, useRef, useState } from 'react'
import type { TuneSummary } from '../api/client'
import { useInstruments } from '../api/instruments'
import { useCurrentClass } from '../register/queries'
import { usePrefetchReading } from '../walk/queries'
import { Asked } from '../ui/Asked'
import { Button } from '../ui/Button'
import { Dialog } from '../ui/Dialog'
import { Field, Input } from '../ui/Field'
import { PAGE_EDGE, PageHead } from '../ui/Page'
import { Screen } from '../ui/Screen'
import { TextButton, TextLink } from '../ui/TextLink'
import {
  ALL_TUNES,
  useDeletedTunes,
  useDeleteTune,
  useDuplicateTune,
  useRestoreTune,
  useTune,
  useTunes,
  type TuneChoice,
} from './queries'
import { useToast } from '../ui/toasts'
import { useKeys } from '../ui/useKeys'
import { useStable } from '../ui/useStable'
import { AddTune } from './AddTune'
import { DeletedTunes } from './DeletedTunes'
import { EditTune } from './EditTune'
import { TuneFilters } from './TuneFilters'
import { TuneRow } from './TuneRow'
import { TuneRows } from './TuneRows'
import { isNarrowed, useTuneChoice } from './useTuneChoice'

/** Not drawn anew with every letter of a search. */
const ADD_TUNE = <AddTune />

/** The library. What is searched for is part of the address, so that coming back finds it again. */
export function Tunes() {
  const { choice: asked, choose } = useTuneChoice()
  const [current] = useCurrentClass()
  // Without a class there is nothing to be hard for.
  const choice = useMemo(
    () => (current ? asked : { ...asked, reach: '' as const, order: asked.order === 'hard' ? 'title' : asked.order }),
    [asked, current],
  )
  const [editing, setEditing] = useState<number | null>(null)
  const [showDeleted, setShowDeleted] = useState(false)
  const deferred = useDeferredValue(choice)
  const tunes = useTunes(deferred)
  const deleted = useDeletedTunes().data?.total ?? 0
  const prefetch = usePrefetchReading()
  const duplicate = useDuplicateTune()
  const remove = useDeleteTune()
  const restore = useRestoreTune()
  const toast = useToast()
  const tell = (refusal: Error) => toast({ text: refusal.message })
  const field = useRef<HTMLInputElement>(null)
  const list = useRef<HTMLDivElement>(null)
  /** From the tune that has the focus to another; the first where none has it. */
  const walk = (by: 1 | -1) => {
    const links = [...(list.current?.querySelectorAll<HTMLElement>('[data-tune]') ?? [])]
    const at = links.indexOf(document.activeElement as HTMLElement)
    links[at < 0 ? 0 : Math.min(links.length - 1, Math.max(0, at + by))]?.focus()
  }
  useKeys({ '/': () => field.current?.focus(), ArrowDown: () => walk(1), ArrowUp: () => walk(-1) })

  const discard = useStable((tune: TuneSummary) =>
    remove.mutate(tune.id, {
      onSuccess: () =>
        toast({
          text: `“${tune.title}” is deleted.`,
          action: { label: 'Undo', run: () => restore.mutate(tune.id, { onError: tell }) },
        }),
      onError: tell,
    }),
  )
  const copy = useStable((tune: TuneSummary) =>
    duplicate.mutate(tune.id, {
      onSuccess: (made) => toast({ text: `“${made.summary.title}” is in the list.` }),
      onError: tell,
    }),
  )
  const look = useStable((tune: TuneSummary) => void prefetch(tune.id, tune.printedFor))
  const edit = useStable((tune: TuneSummary) => setEditing(tune.id))
  const known = useInstruments().data
  const row = useMemo(() => {
    const names = new Map(known?.map((i) => [i.id, i.name]))
    const actions = { look, edit, copy, discard }
    return (tune: TuneSummary) => (
      <TuneRow tune={tune} printedFor={names.get(tune.printedFor) ?? tune.printedFor} actions={actions} />
    )
  }, [known, look, edit, copy, discard])

  const total = tunes.data?.total
  const narrowed = isNarrowed(choice)
  return (
    <Screen
      title="Tunes"
      className="grid min-h-0 flex-1 grid-cols-1 content-start overflow-y-auto lg:grid-cols-[minmax(0,1fr)_27rem] lg:content-stretch lg:overflow-hidden"
    >
      <section aria-label="Tunes of the house" className={`flex min-w-0 flex-col ${PAGE_EDGE} lg:min-h-0`}>
        <PageHead
          title="Tunes"
          actions={
            <>
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
                  value={choice.search}
                  onChange={(e) => choose({ search: e.target.value })}
                />
              </Field>
            </>
          }
        />
        {((total ?? 0) > 1 || narrowed) && (
          <TuneFilters
            choice={choice}
            onChoose={choose}
            instruments={known ?? []}
            found={total}
            working={tunes.data?.working}
            ofClass={current !== null}
          />
        )}
        <Asked of={tunes}>{null}</Asked>
        {tunes.data && tunes.data.total > 0 && (
          <TuneRows ref={list} choice={deferred} first={tunes.data.tunes} total={tunes.data.total}>
            {row}
          </TuneRows>
        )}
        {total === 0 && (narrowed ? <NothingFound choice={choice} onAll={() => choose(ALL_TUNES)} /> : <FirstTune />)}
        {deleted > 0 && (
          <p className="py-2 text-sm">
            <TextButton onClick={() => setShowDeleted(true)}>
              Deleted: {deleted} {deleted === 1 ? 'tune' : 'tunes'}
            </TextButton>
          </p>
        )}
      </section>
      <div id="add" className="border-line px-3 py-6 md:px-7 lg:min-h-0 lg:overflow-y-auto lg:border-l">
        {ADD_TUNE}
      </div>
      {editing !== null && <EditById id={editing} onClose={() => setEditing(null)} />}
      {showDeleted && <DeletedTunes onClose={() => setShowDeleted(false)} />}
    </Screen>
  )
}

function NothingFound({ choice, onAll }: { choice: TuneChoice; onAll: () => void }) {
  const among = [
    choice.instrument && 'for this instrument',
    choice.key && 'in this key',
    choice.reach && 'that fits the class so',
  ]
    .filter(Boolean)
    .join(' ')
  const word = `word of a title or composer begins with “${choice.search}”`
  return (
    <div className="flex flex-col items-start gap-3 py-8">
      <p>
        {!choice.search ? `There is no tune ${among}.` : among ? `Among the tunes ${among} no ${word}.` : `No ${word}.`}
      </p>
      {among && <Button onClick={onAll}>Show all tunes</Button>}
    </div>
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
      <p className="mt-3">
        You have a library on another computer? <TextLink to="/keeping">Bring its backup back</TextLink>
      </p>
    </div>
  )
}
