import { ArrowDown, ArrowUp } from 'lucide-react'
import { useRef, useState } from 'react'
import { useParams } from 'react-router'
import { useClass } from '../register/queries'
import { useInstruments } from '../api/instruments'
import { Asked } from '../ui/Asked'
import { Button } from '../ui/Button'
import { Choice } from '../ui/Choice'
import { Field, Input } from '../ui/Field'
import { useKept } from '../offline/kept'
import { Refused } from '../ui/Said'
import { Page } from '../ui/Page'
import { SortedList } from '../ui/SortedList'
import { FileLink } from '../ui/FileLink'
import { TextLink } from '../ui/TextLink'
import { Tick } from '../ui/Tick'
import { useBooklet, usePieces, useSaveBooklet, type BookletDoc } from './queries'
import { LIMITS } from '../api/limits'

/** The booklet of a class: which pieces, in what order, with names or none. */
export function BookletScreen() {
  const id = Number(useParams().id)
  const booklet = useBooklet(id)
  const pieces = usePieces(id)
  const one = useClass(id)
  return (
    <Page
      title={`The booklet${one.data ? ` of ${one.data.summary.name}` : ''}`}
      back={{ to: `/classes/${id}/pieces`, words: 'Back to the pieces' }}
    >
      <Asked of={booklet}>
        {booklet.data && <Made id={id} booklet={booklet.data} pieces={pieces.data?.pieces ?? []} />}
      </Asked>
    </Page>
  )
}

function Made({
  id,
  booklet: kept,
  pieces,
}: {
  id: number
  booklet: BookletDoc
  pieces: NonNullable<ReturnType<typeof usePieces>['data']>['pieces']
}) {
  const save = useSaveBooklet(id)
  // What is typed waits on this machine until it is saved.
  const [typed, keepTyped] = useKept<string>(`booklet.${id}.title`)
  const names = new Map(useInstruments().data?.map((i) => [i.id, i.name]))
  // What was changed and is not answered yet: the next change goes on from there, and they are sent one after the
  // other.
  const [changed, setChanged] = useState<BookletDoc | null>(null)
  const booklet = changed ?? kept
  const sent = useRef(Promise.resolve())
  const set = (change: Partial<BookletDoc>) => {
    const next = { ...booklet, ...change }
    setChanged(next)
    sent.current = sent.current
      .then(() => save.mutateAsync(next))
      .then(
        () => {
          if (change.title !== undefined) keepTyped(null)
        },
        () => undefined, // it is told below
      )
      .then(() => setChanged((now) => (now === next ? null : now)))
  }
  const chosen = booklet.pieces.flatMap((p) => pieces.find((x) => x.id === p) ?? [])
  const others = pieces.filter(
    (p) => !booklet.pieces.includes(p.id) && (p.state === 'accepted' || p.state === 'handedIn'),
  )
  const moved = (at: number, by: 1 | -1) => {
    const next = [...booklet.pieces]
    const [piece] = next.splice(at, 1)
    if (piece !== undefined) next.splice(at + by, 0, piece)
    set({ pieces: next })
  }
  const said = (p: (typeof pieces)[number]) => `${p.nickname} · ${names.get(p.instrument) ?? p.instrument} · ${p.title}`
  return (
    <div className="grid gap-x-12 gap-y-6 lg:grid-cols-[minmax(0,1fr)_20rem]">
      <div>
        <h2 className="text-xl">In the booklet</h2>
        {chosen.length === 0 && <p>No piece stands in it yet: what you accept can be put in.</p>}
        <SortedList
          label="In the booklet"
          className="border-t border-line empty:border-0"
          things={chosen}
          idOf={(p) => `${p.id}`}
          nameOf={said}
          onMove={(id, before) => {
            const rest = booklet.pieces.filter((p) => p !== Number(id))
            const to = before === null ? rest.length : rest.indexOf(Number(before))
            set({ pieces: rest.toSpliced(to, 0, Number(id)) })
          }}
        >
          {(p, handle, at) => (
            <div className="flex flex-wrap items-center gap-x-3 py-1">
              {handle}
              <span className="w-6 text-right font-bold">{at + 1}</span>
              <span className="min-w-0 flex-1">{said(p)}</span>
              <Button size="inline" disabled={at === 0} onClick={() => moved(at, -1)}>
                <ArrowUp size={15} /> Up<span className="sr-only"> {p.nickname}</span>
              </Button>
              <Button size="inline" disabled={at === chosen.length - 1} onClick={() => moved(at, 1)}>
                <ArrowDown size={15} /> Down<span className="sr-only"> {p.nickname}</span>
              </Button>
              <Button size="inline" onClick={() => set({ pieces: booklet.pieces.filter((x) => x !== p.id) })}>
                Take out<span className="sr-only"> {p.nickname}</span>
              </Button>
            </div>
          )}
        </SortedList>
        {others.length > 0 && (
          <>
            <h2 className="mt-6 text-xl">Handed in or accepted</h2>
            <ul aria-label="Not in the booklet" className="border-t border-line">
              {others.map((p) => (
                <li key={p.id} className="flex flex-wrap items-center gap-x-3 border-b border-line py-1">
                  <span className="min-w-0 flex-1">{said(p)}</span>
                  <Button size="inline" onClick={() => set({ pieces: [...booklet.pieces, p.id] })}>
                    Put in<span className="sr-only"> {p.nickname}</span>
                  </Button>
                </li>
              ))}
            </ul>
          </>
        )}
      </div>
      <aside className="flex flex-col gap-4">
        <Field label="Title">
          <Input
            value={typed ?? booklet.title}
            maxLength={LIMITS.longestTaskTitle}
            onChange={(e) => keepTyped(e.target.value)}
            onBlur={() => {
              const title = typed ?? ''
              if (title.trim() === '' || title === booklet.title) keepTyped(null)
              else set({ title })
            }}
          />
        </Field>
        <Choice
          label="Pieces a page"
          value={booklet.perPage}
          options={[
            { value: 1, label: 'one' },
            { value: 2, label: 'two' },
          ]}
          onChange={(perPage) => set({ perPage })}
        />
        <Tick checked={booklet.pairs} onChange={(pairs) => set({ pairs })}>
          String and finger under the notes
        </Tick>
        <Tick checked={booklet.names} onChange={(names) => set({ names })}>
          First names
        </Tick>
        <Tick checked={booklet.shown} onChange={(shown) => set({ shown })}>
          Show its pieces on the learners’ pages, for all to play
        </Tick>
        <p className="text-sm text-soft">
          A name on a wall or in a booklet is a child’s own matter: ask, and follow the rules of your school.
        </p>
        {save.error && <Refused>{save.error.message}</Refused>}
        <div className="flex flex-wrap items-center gap-x-5 gap-y-2">
          <TextLink to={`/classes/${id}/booklet/print`}>Print, or save as PDF</TextLink>
          {chosen.length > 0 && <FileLink href={`/api/classes/${id}/booklet.zip`}>Save as MusicXML</FileLink>}
        </div>
      </aside>
    </div>
  )
}
