import { useDeferredValue, useRef, useState, type KeyboardEvent } from 'react'
import type { TuneSummary } from '../api/client'
import { useInstruments } from '../api/instruments'
import { usePrefetchReading } from '../stand/queries'
import { Field, Input } from '../ui/Field'
import { Refused } from '../ui/Said'
import { useDeleteTune, useDuplicateTune, useRestoreTune, useTune, useTunes } from './queries'
import { useToast } from '../ui/toasts'
import { useKeys } from '../ui/useKeys'
import { AddTune } from './AddTune'
import { EditTune } from './EditTune'
import { TuneRow } from './TuneRow'

/** The library. */
export function Tunes() {
  const [search, setSearch] = useState('')
  const [editing, setEditing] = useState<number | null>(null)
  const tunes = useTunes(useDeferredValue(search))
  const names = new Map(useInstruments().data?.map((i) => [i.id, i.name]))
  const prefetch = usePrefetchReading()
  const duplicate = useDuplicateTune()
  const remove = useDeleteTune()
  const restore = useRestoreTune()
  const toast = useToast()
  const field = useRef<HTMLInputElement>(null)
  useKeys({ '/': () => field.current?.focus() })

  const discard = (tune: TuneSummary) =>
    remove.mutate(tune.id, {
      onSuccess: () =>
        toast({ text: `“${tune.title}” is deleted.`, action: { label: 'Undo', run: () => restore.mutate(tune.id) } }),
      onError: (refusal) => toast({ text: refusal.message }),
    })
  const copy = (tune: TuneSummary) =>
    duplicate.mutate(tune.id, { onSuccess: (made) => toast({ text: `“${made.summary.title}” is in the list.` }) })

  const walk = (event: KeyboardEvent<HTMLElement>) => {
    const step = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0
    const links = [...event.currentTarget.querySelectorAll<HTMLElement>('[data-tune]')]
    const at = links.indexOf(document.activeElement as HTMLElement)
    if (!step || at < 0) return
    event.preventDefault()
    links[at + step]?.focus()
  }

  const list = tunes.data
  return (
    <main className="grid min-h-0 flex-1 grid-cols-1 overflow-y-auto lg:grid-cols-[minmax(0,1fr)_27rem] lg:overflow-hidden">
      <section aria-labelledby="tunes-heading" className="flex flex-col px-8 pt-6 lg:min-h-0">
        <div className="mb-2 flex items-end justify-between gap-6">
          <h1 id="tunes-heading" className="text-3xl">
            Tunes
          </h1>
          {/* On a narrow screen the field to paste into lies below the list. */}
          <a href="#add" className="mr-auto font-bold text-spruce underline underline-offset-4 lg:hidden">
            Add a tune
          </a>
          <Field
            beside
            label={
              <>
                Search <kbd>/</kbd>
              </>
            }
          >
            <Input
              ref={field}
              type="search"
              size="strip"
              width="w-56"
              value={search}
              onChange={(e) => setSearch(e.target.value)}
            />
          </Field>
        </div>
        {tunes.error && <Refused>{tunes.error.message}</Refused>}
        {list && list.length > 0 && (
          // The arrow keys move among the links, which are reachable with Tab as well.
          // eslint-disable-next-line jsx-a11y/no-noninteractive-element-interactions
          <ul onKeyDown={walk} className="flex-1 pr-2 pb-8 lg:min-h-0 lg:overflow-y-auto" aria-label="Tunes">
            {list.map((tune) => (
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
          </ul>
        )}
        {list && list.length === 0 && (search ? <p className="py-8">No title has “{search}” in it.</p> : <FirstTune />)}
      </section>
      <div id="add" className="border-line px-7 py-6 lg:min-h-0 lg:overflow-y-auto lg:border-l">
        <AddTune />
      </div>
      {editing !== null && <EditById id={editing} onClose={() => setEditing(null)} />}
    </main>
  )
}

function EditById({ id, onClose }: { id: number; onClose: () => void }) {
  const { data } = useTune(id)
  return data ? <EditTune tune={data} onClose={onClose} /> : null
}

function FirstTune() {
  return (
    <div className="max-w-lg py-8 leading-relaxed">
      <h2 className="mb-2 text-xl">No tunes yet</h2>
      <p className="mb-3">
        Paste a tune on the right. ABC is music as plain text: a few header lines, then the notes. The letters D E F G
        are the notes from middle C’s octave, small letters the octave above, a number after a letter makes it longer,
        and | is a barline. K:D at the end of the header says the key, so F and C are sharp by themselves.
      </p>
      <p>
        “Try the example” fills in a short one. A file from a notation program, saved as MusicXML, can be dropped there
        as well.
      </p>
    </div>
  )
}
