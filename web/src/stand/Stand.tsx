import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { Link, useNavigate, useParams, useSearchParams } from 'react-router'
import { useBefore, useBowing, usePrefetchReading, useReading } from './queries'
import { useInstruments } from '../api/instruments'
import { useTune } from '../tunes/queries'
import { useEngraving } from '../engraving/engraver'
import { EngravedPage } from '../engraving/EngravedPage'
import { engravingOptions, ROWS, type Layout } from '../engraving/layout'
import { withRoom } from '../engraving/room'
import { Working } from '../engraving/Working'
import { HearBar, type LoopChoice } from '../hear/HearBar'
import { useHear } from '../hear/useHear'
import { EditTune } from '../tunes/EditTune'
import { useKeys } from '../ui/useKeys'
import { BeforeLine } from './BeforeLine'
import { BowPanel } from './BowPanel'
import { CountPanel } from './CountPanel'
import { Fingerboard, type Place } from './Fingerboard'
import { FormPanel } from './FormPanel'
import { KeyList } from './KeyList'
import { LineMap } from './LineMap'
import { PlaceOnStaff } from './PlaceOnStaff'
import { StandBar } from './StandBar'
import { PANELS, StandPanels, type PanelId } from './StandPanels'
import { TuneHead } from './TuneHead'
import { useBows } from './useBows'
import { useChanges } from './useChanges'
import { usePins } from './usePins'
import { useRows } from './useRows'
import { useWalk } from './useWalk'
import { useWidth } from './useWidth'
import { WhyHere } from './WhyHere'

/** The stand: one tune, one instrument, note by note. */
export function Stand() {
  const id = Number(useParams().id)
  const navigate = useNavigate()
  const [search, setSearch] = useSearchParams()
  const tune = useTune(id)
  const instruments = useInstruments().data
  const instrument = search.get('for') ?? tune.data?.summary.printedFor ?? ''
  const reading = useReading(id, instrument)
  const prefetch = usePrefetchReading()
  const { rows, toggle } = useRows()
  const [probe, setProbe] = useState<Place | null>(null)
  const [open, setOpen] = useState<'keys' | 'edit' | null>(null)
  const [panel, setPanel] = useState<PanelId>('why')
  const [layout, setLayout] = useState<Layout | null>(null)
  const paper = useRef<HTMLDivElement>(null)
  const width = useWidth(paper)
  const data = instrument ? reading.data : undefined
  const engraving = useEngraving(
    useMemo(() => data && withRoom(data.musicXml, data, rows), [data, rows]),
    width ? engravingOptions(width - 8, rows) : null,
  )
  const keepLayout = useCallback((next: Layout) => setLayout(next), [])

  useEffect(() => {
    for (const other of instruments ?? []) void prefetch(id, other.id)
    // Prefetching once for each tune is enough.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [id, instruments])

  const walk = useWalk(data)
  const { notes, at, now, line, lines } = walk
  const changes = useChanges()
  const pins = usePins(id, instrument, changes.make)
  const bowing = useBowing(id, instrument, panel === 'bow').data
  const bows = useBows(id, instrument, changes.make)
  const before = useBefore(
    id,
    instrument,
    lines.map((l) => l.firstBar),
  ).data
  const hear = useHear(data, walk.pick)
  const loop = hear.settings.loop
  const loopBars = loop && [loop.from, loop.to].map((n) => notes.find((x) => x.id === n)?.bar ?? 0)
  const loopWords =
    loopBars && (loopBars[0] === loopBars[1] ? `bar ${loopBars[0]}` : `bars ${loopBars[0]}–${loopBars[1]}`)
  const go = (index: number) => {
    setProbe(null)
    walk.go(index)
  }
  const pick = (noteId: string) => {
    setProbe(null)
    walk.pick(noteId)
  }
  const goLine = (to: number) => {
    setProbe(null)
    walk.goLine(to)
  }
  /** Sets the loop's beginning or end to the present note. */
  const setLoopEnd = (end: 'from' | 'to') => {
    if (!now) return
    const order = (n: string) => notes.findIndex((x) => x.id === n)
    const next = { from: now.id, to: now.id, ...loop, [end]: now.id }
    hear.set({ loop: order(next.from) <= order(next.to) ? next : { from: now.id, to: now.id } })
  }
  const setLoop = (what: LoopChoice) => {
    if (what === 'from' || what === 'to') return setLoopEnd(what)
    const here = lines[line]
    const span = what === 'bar' ? walk.span(walk.bar, walk.bar + 1) : here && walk.span(here.firstBar, here.endBar)
    hear.set({ loop: what === 'none' ? null : (span ?? null) })
  }
  const play = (name: string) => setSearch({ for: name }, { replace: true })
  const print = () => navigate(`/tunes/${id}/print?for=${instrument}&rows=${rows.join(',')}`)
  const turnPanel = () => setPanel(PANELS[(PANELS.findIndex((p) => p.id === panel) + 1) % PANELS.length]?.id ?? 'why')

  useKeys({
    ArrowRight: () => go(at + 1),
    ArrowLeft: () => go(at - 1),
    Home: () => go(0),
    End: () => go(notes.length - 1),
    ArrowDown: () => goLine(line + 1),
    ArrowUp: () => goLine(line - 1),
    Escape: () => {
      setProbe(null)
      walk.setMarked([])
    },
    ' ': () => (hear.playing ? hear.stop() : void hear.play(now?.id)),
    '[': () => setLoopEnd('from'),
    ']': () => setLoopEnd('to'),
    '?': () => setOpen('keys'),
    a: () => now && pins.turn(now.id),
    u: changes.undo,
    l: turnPanel,
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
      <div className="grid min-h-0 flex-1 grid-cols-1 md:grid-cols-[6.5rem_minmax(0,1fr)_20rem]">
        <div className="hidden min-h-0 border-r border-line md:flex md:flex-col">
          {data && <LineMap reading={data} line={line} onGo={goLine} />}
        </div>
        <div className="flex min-h-0 flex-col bg-sheet">
          {/* A region that scrolls must be reachable from the keyboard. */}
          <div
            className="paper-scroll min-h-0 flex-1 overflow-y-auto px-6 pb-10 pt-4"
            data-testid="paper"
            // eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex
            tabIndex={0}
            role="region"
            aria-label="Paper"
          >
            {data && <TuneHead reading={data} onUsePrinted={pins.usePrinted} onOctave={pins.octave} />}
            <div ref={paper} className="min-h-40">
              {engraving.error && <p className="text-brick">{engraving.error}</p>}
              {data && engraving.pages[0] ? (
                <EngravedPage
                  svg={engraving.pages[0]}
                  reading={data}
                  rows={rows}
                  now={probe ? null : (now?.id ?? null)}
                  same={probe ? probed.map((n) => n.id) : walk.marked}
                  onPick={pick}
                  onLayout={keepLayout}
                />
              ) : (
                <Working notes={notes.length} />
              )}
            </div>
          </div>
          {data && layout && (
            <HearBar
              playing={hear.playing}
              settings={hear.settings}
              loopWords={loopWords}
              onSet={hear.set}
              onPlay={() => void hear.play(now?.id)}
              onStop={hear.stop}
              onLoop={setLoop}
            />
          )}
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
                  <StandPanels panel={panel} onPanel={setPanel}>
                    {panel === 'why' && (
                      <WhyHere
                        note={now}
                        reading={data}
                        strings={data.instrument.strings}
                        onPin={(pair) => pins.pin(now.id, pair)}
                      />
                    )}
                    {panel === 'before' && <BeforeLine line={line} remarks={before?.[line]} onShow={walk.setMarked} />}
                    {panel === 'bow' && <BowPanel bowing={bowing} now={now} bows={bows} onShow={walk.setMarked} />}
                    {panel === 'count' && <CountPanel reading={data} now={now} />}
                    {panel === 'form' && <FormPanel reading={data} onShow={walk.setMarked} onLine={goLine} />}
                  </StandPanels>
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
