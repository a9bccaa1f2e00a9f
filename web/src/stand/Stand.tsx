import { useCallback, useEffect, useRef, useState } from 'react'
import { Link, useNavigate, useParams, useSearchParams } from 'react-router'
import type { ReadingNote } from '../api/client'
import { useBefore, useInstruments, usePrefetchReading, useReading, useTune } from '../api/queries'
import { useEngraving } from '../engraving/engraver'
import { EngravedPage } from '../engraving/EngravedPage'
import { engravingOptions, ROWS, withRowsOnly, type Layout } from '../engraving/layout'
import { EditTune } from '../tunes/EditTune'
import { useKeys } from '../ui/useKeys'
import { BeforeLine } from './BeforeLine'
import { Fingerboard, type Place } from './Fingerboard'
import { KeyList } from './KeyList'
import { LineMap } from './LineMap'
import { PlaceOnStaff } from './PlaceOnStaff'
import { StandBar } from './StandBar'
import { TuneHead } from './TuneHead'
import { usePins } from './usePins'
import { useRows } from './useRows'
import { useWidth } from './useWidth'
import { WhyHere } from './WhyHere'

const PANELS = [
  { id: 'why', label: 'Why here' },
  { id: 'before', label: 'Before this line' },
] as const

/** The way after the present one among all ways of a note, round and round, those in reach of the class first. */
function nextWay(note: ReadingNote) {
  const all = [{ string: note.string ?? 0, finger: note.finger ?? 0, beyond: note.beyond }, ...note.others]
    .filter((w) => !w.beyond || note.beyond)
    .sort((a, b) => b.string - a.string || a.finger - b.finger)
  const at = all.findIndex((w) => w.string === note.string && w.finger === note.finger)
  return all[(at + 1) % all.length] ?? null
}

/** The stand: one tune, one instrument, note by note. */
export function Stand() {
  const id = Number(useParams().id)
  const navigate = useNavigate()
  const [search, setSearch] = useSearchParams()
  const tune = useTune(id)
  const instruments = useInstruments().data
  const instrument = search.get('for') ?? tune.data?.summary.printedFor ?? ''
  const reading = useReading(id, instrument || 'violin')
  const prefetch = usePrefetchReading()
  const { rows, toggle } = useRows()
  const [nowId, setNowId] = useState<string | null>(null)
  const [probe, setProbe] = useState<Place | null>(null)
  const [open, setOpen] = useState<'keys' | 'edit' | null>(null)
  const [panel, setPanel] = useState<'why' | 'before'>('why')
  const [marked, setMarked] = useState<readonly string[]>([])
  const [layout, setLayout] = useState<Layout | null>(null)
  const paper = useRef<HTMLDivElement>(null)
  const width = useWidth(paper)
  const data = instrument ? reading.data : undefined
  const engraving = useEngraving(
    data && withRowsOnly(data.musicXml, rows),
    width ? engravingOptions(width - 8, rows) : null,
  )
  const keepLayout = useCallback((next: Layout) => setLayout(next), [])

  useEffect(() => {
    for (const other of instruments ?? []) void prefetch(id, other.id)
    // Prefetching once for each tune is enough.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [id, instruments])

  const notes = data?.notes ?? []
  const pins = usePins(data)
  const barOrder = new Map(data?.bars.map((b, i) => [b.id, i]))
  const starts = (layout?.systems ?? []).map((s) => barOrder.get(s.bars[0] ?? '')).filter((n) => n !== undefined)
  const before = useBefore(id, instrument || 'violin', starts).data
  const at = Math.max(
    0,
    notes.findIndex((n) => n.id === nowId),
  )
  const now = notes[at]
  const go = (index: number) => {
    setProbe(null)
    setMarked([])
    setNowId(notes[Math.min(notes.length - 1, Math.max(0, index))]?.id ?? null)
  }
  const pick = (noteId: string) => {
    setProbe(null)
    setMarked([])
    setNowId(noteId)
  }
  const line = now ? (layout?.notes.get(now.id)?.system ?? 0) : 0
  const goLine = (step: number) => {
    const first = layout?.systems[line + step]?.firstNote
    if (first) pick(notes.find((n) => n.id === first || n.tiedIds.includes(first))?.id ?? first)
  }
  const play = (name: string) => setSearch({ for: name }, { replace: true })
  const print = () => navigate(`/tunes/${id}/print?for=${instrument}&rows=${rows.join(',')}`)

  useKeys({
    ArrowRight: () => go(at + 1),
    ArrowLeft: () => go(at - 1),
    Home: () => go(0),
    End: () => go(notes.length - 1),
    ArrowDown: () => goLine(1),
    ArrowUp: () => goLine(-1),
    Escape: () => {
      setProbe(null)
      setMarked([])
    },
    '?': () => setOpen('keys'),
    a: () => now?.others[0] && pins.pin(now, nextWay(now)),
    u: pins.undo,
    l: () => setPanel(panel === 'why' ? 'before' : 'why'),
    e: () => setOpen('edit'),
    w: print,
    ...Object.fromEntries((instruments ?? []).map((i, n) => [String(n + 1), () => play(i.id)])),
    ...Object.fromEntries(ROWS.map((row) => [row.key, () => toggle(row.id)])),
  })

  if (tune.error || reading.error)
    return (
      <main className="m-auto max-w-md p-8">
        <h1 className="mb-2 text-2xl">This tune is not here</h1>
        <p className="mb-4">{(tune.error ?? reading.error)?.message}</p>
        <Link to="/tunes" className="font-bold text-spruce underline underline-offset-4">
          To the tunes
        </Link>
      </main>
    )

  const place = now?.string != null && now.semitones != null ? { string: now.string, semitones: now.semitones } : null
  const probed = probe && data ? notes.filter((n) => n.string === probe.string && n.semitones === probe.semitones) : []

  return (
    <main className="flex min-h-0 flex-1 flex-col">
      <div className="border-b border-line px-6 py-2">
        <StandBar
          instruments={instruments ?? []}
          instrument={instrument}
          onInstrument={play}
          rows={rows}
          onRow={toggle}
          onEdit={() => setOpen('edit')}
          onPrint={print}
          onKeys={() => setOpen('keys')}
        />
      </div>
      <div className="grid min-h-0 flex-1 grid-cols-1 md:grid-cols-[5.5rem_minmax(0,1fr)_20rem]">
        <div className="hidden min-h-0 border-r border-line md:flex md:flex-col">
          {layout && data && <LineMap reading={data} layout={layout} line={line} onGo={pick} />}
        </div>
        {/* A region that scrolls must be reachable from the keyboard. */}
        <div
          className="paper-scroll min-h-0 overflow-y-auto bg-sheet px-6 pb-10 pt-4"
          data-testid="paper"
          // eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex
          tabIndex={0}
          role="region"
          aria-label="Paper"
        >
          {data && <TuneHead reading={data} onUsePrinted={pins.usePrinted} />}
          <div ref={paper} className="min-h-40">
            {engraving.error && <p className="text-brick">{engraving.error}</p>}
            {data && engraving.pages[0] ? (
              <EngravedPage
                svg={engraving.pages[0]}
                reading={data}
                rows={rows}
                now={probe ? null : (now?.id ?? null)}
                same={probe ? probed.map((n) => n.id) : marked}
                onPick={pick}
                onLayout={keepLayout}
              />
            ) : (
              <p className="py-16 text-center text-soft">Engraving the tune…</p>
            )}
          </div>
        </div>
        <aside className="min-h-0 overflow-y-auto border-l border-line px-5 py-4" aria-label="Fingerboard and reasons">
          {data && now && (
            <>
              <Fingerboard
                instrument={data.instrument}
                shapes={data.shapes}
                now={probe ? null : place}
                sign={now.sign ?? null}
                probe={probe}
                onProbe={setProbe}
              />
              <div className="mt-3 border-t border-line pt-3">
                {probe ? (
                  <PlaceOnStaff
                    instrument={data.instrument}
                    fifths={data.fifths}
                    place={probe}
                    found={probed.length}
                    onClose={() => setProbe(null)}
                  />
                ) : (
                  <>
                    <div role="tablist" aria-label="About the music" className="mb-2 flex gap-4 text-sm">
                      {PANELS.map((p) => (
                        <button
                          key={p.id}
                          type="button"
                          role="tab"
                          aria-selected={panel === p.id}
                          onClick={() => setPanel(p.id)}
                          className="border-b-2 border-transparent pb-0.5 text-soft aria-selected:border-maple aria-selected:font-bold aria-selected:text-ink"
                        >
                          {p.label}
                        </button>
                      ))}
                    </div>
                    {panel === 'why' ? (
                      <WhyHere note={now} strings={data.instrument.strings} onPin={(pair) => pins.pin(now, pair)} />
                    ) : (
                      <BeforeLine line={line} remarks={before?.[line]} onShow={setMarked} />
                    )}
                  </>
                )}
              </div>
            </>
          )}
        </aside>
      </div>
      {open === 'keys' && <KeyList onClose={() => setOpen(null)} />}
      {open === 'edit' && tune.data && <EditTune tune={tune.data} onClose={() => setOpen(null)} />}
    </main>
  )
}
