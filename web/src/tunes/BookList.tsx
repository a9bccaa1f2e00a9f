import { useVirtualizer } from '@tanstack/react-virtual'
import { useMemo, useRef, useState } from 'react'
import type { BookTune } from '../api/client'
import { Button } from '../ui/Button'
import { Dialog } from '../ui/Dialog'
import { Field, Input } from '../ui/Field'
import { Refused } from '../ui/Said'
import { useToast } from '../ui/toasts'
import { useTakeBook } from './useTakeBook'

const ROW_PX = 44

const heading = (tunes: readonly BookTune[], name: string) =>
  `${tunes.length} tunes in ${name === '' ? 'this text' : `“${name}”`}`

/**
 * A book of many tunes: what is in it, and which of them are to be taken. What cannot be read stands there with its
 * place.
 */
export function BookList({
  name,
  tunes,
  onTaken,
  onClose,
}: {
  /** Of its file; empty for a text. */
  name: string
  tunes: readonly BookTune[]
  /** Some were taken, all that were wanted. */
  onTaken: () => void
  onClose: () => void
}) {
  const readable = useMemo(() => tunes.filter((t) => !t.error), [tunes])
  const torn = tunes.length - readable.length
  const [wanted, setWanted] = useState<ReadonlySet<number>>(() => new Set(readable.map((t) => t.number)))
  const [search, setSearch] = useState('')
  const toast = useToast()
  const book = useTakeBook()
  const shown = useMemo(() => {
    const words = search.trim().toLowerCase()
    return words === '' ? tunes : tunes.filter((t) => (t.title ?? '').toLowerCase().includes(words))
  }, [tunes, search])
  const set = (numbers: readonly number[], on: boolean) =>
    setWanted((before) => {
      const next = new Set(before)
      for (const n of numbers)
        if (on) next.add(n)
        else next.delete(n)
      return next
    })
  const shownReadable = shown.filter((t) => !t.error).map((t) => t.number)
  const take = async () => {
    const asked = readable.filter((t) => wanted.has(t.number))
    const ids = await book.take(asked)
    if (ids.length > 0)
      toast({
        text: `${ids.length} ${ids.length === 1 ? 'tune is' : 'tunes are'} in the list.`,
        action: { label: 'Undo', run: () => void book.takeBack(ids) },
      })
    if (ids.length === asked.length) onTaken()
  }
  const { progress } = book
  return (
    <Dialog title={heading(tunes, name)} wide onClose={progress ? () => undefined : onClose}>
      {torn > 0 && (
        <p className="mb-3 border-l-4 border-maple pl-3">
          {torn === 1 ? 'One of them cannot be read' : `${torn} of them cannot be read`}; the list says why. The others
          can be taken.
        </p>
      )}
      <div className="mb-2 flex flex-wrap items-center gap-3">
        <Field beside label="Search">
          <Input type="search" size="strip" width="w-44" value={search} onChange={(e) => setSearch(e.target.value)} />
        </Field>
        <Button size="strip" onClick={() => set(shownReadable, true)}>
          Tick {search ? 'these' : 'all'}
        </Button>
        <Button size="strip" onClick={() => set(shownReadable, false)}>
          Untick {search ? 'these' : 'all'}
        </Button>
      </div>
      <Rows tunes={shown} wanted={wanted} onSet={(n, on) => set([n], on)} />
      {book.refused && (
        <div className="mt-3">
          <Refused>{book.refused}</Refused>
        </div>
      )}
      <div className="mt-4 flex flex-wrap items-center gap-3">
        {progress ? (
          <>
            <span
              role="progressbar"
              aria-label="Tunes kept"
              aria-valuemax={progress.of}
              aria-valuenow={progress.done}
              className="h-3 w-56 rounded-full border border-line-dark bg-sheet"
            >
              <span
                className="block h-full rounded-full bg-spruce"
                style={{ width: `${(100 * progress.done) / progress.of}%` }}
              />
            </span>
            <span role="status">
              {progress.done} of {progress.of} tunes are kept.
            </span>
            <Button onClick={book.stop}>Stop here</Button>
          </>
        ) : (
          <>
            <Button kind="go" disabled={wanted.size === 0} onClick={() => void take()}>
              Keep {wanted.size} {wanted.size === 1 ? 'tune' : 'tunes'}
            </Button>
            <Button onClick={onClose}>Close</Button>
          </>
        )}
      </div>
    </Dialog>
  )
}

function Rows({
  tunes,
  wanted,
  onSet,
}: {
  tunes: readonly BookTune[]
  wanted: ReadonlySet<number>
  onSet: (number: number, on: boolean) => void
}) {
  const view = useRef<HTMLDivElement>(null)
  // eslint-disable-next-line react-hooks/incompatible-library -- nothing here is memoized by a compiler
  const rows = useVirtualizer({
    count: tunes.length,
    getScrollElement: () => view.current,
    estimateSize: () => ROW_PX,
    overscan: 12,
  })
  if (tunes.length === 0) return <p className="py-6">No title in this book has these words in it.</p>
  return (
    // A region that scrolls must be reachable from the keyboard; its rows are.
    <div
      ref={view}
      className="h-[46vh] overflow-y-auto border-y border-line"
      role="group"
      aria-label="Tunes of the book"
    >
      <div className="relative" style={{ height: rows.getTotalSize() }}>
        {rows.getVirtualItems().map((row) => {
          const tune = tunes[row.index]
          return (
            tune && (
              <div
                key={tune.number}
                ref={rows.measureElement}
                data-index={row.index}
                data-book-tune={tune.number}
                className="absolute inset-x-0 border-b border-line"
                style={{ transform: `translateY(${row.start}px)` }}
              >
                {tune.error ? (
                  <p className="px-2 py-2.5 text-sm">
                    <strong>
                      Tune {tune.number}
                      {tune.file ? `, ${tune.file}` : ''}
                    </strong>{' '}
                    cannot be read: line {tune.error.at.line}, column {tune.error.at.column}: {tune.error.wrong};
                    expected {tune.error.expected}.
                  </p>
                ) : (
                  <label className="grid min-h-11 grid-cols-[1.5rem_minmax(0,1fr)] items-center gap-x-3 px-2 py-1 md:grid-cols-[1.5rem_minmax(0,2fr)_7rem_4.5rem_minmax(0,2fr)]">
                    <input
                      type="checkbox"
                      className="size-4 accent-spruce"
                      checked={wanted.has(tune.number)}
                      onChange={(e) => onSet(tune.number, e.target.checked)}
                    />
                    <span className="truncate font-bold">{tune.title}</span>
                    <span className="text-sm max-md:hidden">{tune.keyName}</span>
                    <span className="text-sm max-md:hidden">{tune.meter}</span>
                    <span className="truncate text-sm text-soft max-md:col-start-2">{tune.firstNotes.join(' ')}</span>
                  </label>
                )}
              </div>
            )
          )
        })}
      </div>
    </div>
  )
}
