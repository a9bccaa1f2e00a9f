import { RefreshCw } from 'lucide-react'
import { useRef, useState } from 'react'
import { useNavigate } from 'react-router'
import type { Instrument, PartRequest, TuneSummary } from '../api/client'
import { useWidth } from '../stand/useWidth'
import { Button } from '../ui/Button'
import { Choice } from '../ui/Choice'
import { Input } from '../ui/Field'
import { Refused } from '../ui/Said'
import { useKept } from '../ui/kept'
import { MoreItem, MoreMenu } from '../ui/MoreMenu'
import { Strip, StripEnd } from '../ui/Strip'
import { Tick } from '../ui/Tick'
import { useToast } from '../ui/toasts'
import { useKeys } from '../ui/useKeys'
import { ItemTools, PartTools } from './BenchTools'
import { EmptyBench } from './EmptyBench'
import { KeptSheets } from './KeptSheets'
import { KindList } from './KindList'
import { PartSettings } from './PartSettings'
import { keepAsTune, makePart, useKeepSheet, useTrainings } from './queries'
import { docOf, EMPTY, movePart, pinnedOf, withPart, type Bench } from './sheet'
import { SheetPaper } from './SheetPaper'
import { YOUNG_STAFF_MM } from './staves'
import { useSheetFiles } from './SheetFileItems'
import { useBench } from './useBench'

/** Width of the printed A4 page inside its margins. */
const PAPER_PX = 700
const PAPER_PADDING = 28

/** What to train at the left, the sheet at the right. */
export function BenchTable({
  opened,
  before,
  instruments,
  tunes,
}: {
  opened: Bench
  /** What lay on the bench before, to be brought back. */
  before: Bench | null
  instruments: readonly Instrument[]
  tunes: readonly TuneSummary[]
}) {
  const navigate = useNavigate()
  const toast = useToast()
  const trainings = useTrainings()
  const { bench, change, note, undo } = useBench(opened, before)
  const [chosen, setChosen] = useState<number | null>(null)
  const [looking, setLooking] = useState('')
  const [busy, setBusy] = useState(false)
  const [problem, setProblem] = useState<{ part: number | null; text: string } | null>(null)
  const [listed, setListed] = useState(false)
  const [pairs, setPairs] = useState(true)
  const [solved, setSolved] = useState(false)
  const [staffMm] = useKept<number>('sheet-staff')
  const keepSheet = useKeepSheet()
  const view = useRef<HTMLDivElement>(null)
  const viewPx = useWidth(view)
  useKeys({
    u: () => undo?.(),
    ...Object.fromEntries(instruments.map((i, n) => [String(n + 1), () => setLooking(i.id)])),
  })

  const wanted = instruments.filter((i) => bench.instruments.includes(i.id))
  const shown = wanted.find((i) => i.id === looking) ?? wanted[0]
  const part = chosen === null ? undefined : bench.parts[chosen]

  /** Asks the server, and puts what it makes on the sheet; what cannot be made is said, and nothing changes. */
  const make = async (at: number | null, work: () => Promise<Bench>) => {
    setBusy(true)
    setProblem(null)
    try {
      change(await work())
      return true
    } catch (refusal) {
      setProblem({ part: at, text: refusal instanceof Error ? refusal.message : String(refusal) })
      return false
    } finally {
      setBusy(false)
    }
  }
  const add = async (kind: string, needsATune: boolean) => {
    const last = bench.parts.at(-1)?.request
    const tune = last?.tuneId ?? (needsATune ? tunes[0]?.id : undefined)
    const request: PartRequest = {
      kind,
      octaves: 1,
      seed: last?.seed ?? 1,
      // What was chosen for the part before is wanted for the next one too.
      ...(last?.key && { key: last.key }),
      ...(last?.strings && { strings: last.strings }),
      ...(tune !== undefined && { tuneId: tune }),
    }
    const at = bench.parts.length
    const done = await make(null, async () => ({
      ...bench,
      parts: [...bench.parts, await makePart({ instruments: bench.instruments, request })],
    }))
    if (!done) return
    setChosen(at)
    // What was just put on the sheet comes into view.
    requestAnimationFrame(() =>
      view.current?.querySelector(`[data-part="${at}"]`)?.scrollIntoView({ block: 'start', behavior: 'smooth' }),
    )
  }
  const again = (at: number, request: PartRequest) => {
    const now = bench.parts[at]
    if (!now) return
    void make(at, async () =>
      withPart(bench, at, await makePart({ instruments: bench.instruments, request, kept: pinnedOf(now) })),
    )
  }
  const anotherSheet = () =>
    void make(null, async () => ({
      ...bench,
      parts: await Promise.all(
        bench.parts.map((p) =>
          makePart({
            instruments: bench.instruments,
            request: { ...p.request, seed: p.request.seed + 1 },
            kept: pinnedOf(p),
          }),
        ),
      ),
    }))
  const choose = (id: string, on: boolean) => {
    const next = instruments.map((i) => i.id).filter((i) => (i === id ? on : bench.instruments.includes(i)))
    if (next.length === 0) return
    // The same requests and seeds, the content that all of them can share.
    void make(null, async () => ({
      ...bench,
      instruments: next,
      parts: await Promise.all(bench.parts.map((p) => makePart({ instruments: next, request: p.request }))),
    }))
  }
  const keepIt = () =>
    keepSheet.mutate(
      { id: bench.id, version: bench.version, sheet: docOf(bench) },
      {
        onSuccess: (kept) => {
          note({ id: kept.id, version: kept.version })
          toast({ text: `“${kept.heading || 'Exercises'}” is kept.` })
        },
        onError: (refusal) => toast({ text: refusal.message }),
      },
    )
  /** Heard, looped and walked through, an exercise is a tune like any other. */
  const toStand = async (p: number, at: number) => {
    const own = bench.parts[p]
    const item = own?.items[at]
    if (!own || !item || !shown) return
    const title = [own.name, own.key].filter(Boolean).join(', ')
    try {
      const tune = await keepAsTune(title, own.request.kind, shown.id, item.each[shown.id]?.question)
      toast({ text: `“${title}” is among the tunes.` })
      await navigate(`/tunes/${tune}?for=${shown.id}`)
    } catch (refusal) {
      toast({ text: refusal instanceof Error ? refusal.message : String(refusal) })
    }
  }
  const drop = (at: number) => {
    change({ ...bench, parts: bench.parts.filter((_, i) => i !== at) })
    setChosen(null)
  }

  const files = useSheetFiles(bench, (opened) => {
    change(opened)
    setChosen(null)
  })

  const paperPx = PAPER_PX + 2 * PAPER_PADDING
  return (
    <>
      <Strip
        lead={
          <Input
            size="strip"
            width="w-64 max-w-full"
            aria-label="Heading of the sheet"
            placeholder="Heading of the sheet"
            maxLength={120}
            value={bench.heading}
            onChange={(e) => note({ heading: e.target.value })}
          />
        }
      >
        <fieldset className="flex flex-wrap items-center gap-x-3" disabled={busy}>
          <legend className="float-left mr-3 text-sm text-soft">For</legend>
          {instruments.map((i) => (
            <Tick key={i.id} checked={bench.instruments.includes(i.id)} onChange={(on) => choose(i.id, on)}>
              {i.name}
            </Tick>
          ))}
        </fieldset>
        <StripEnd>
          <Button size="strip" disabled={!undo} onClick={() => undo?.()}>
            Undo
          </Button>
          <Button size="strip" disabled={bench.parts.length === 0 || keepSheet.isPending} onClick={keepIt}>
            Keep
          </Button>
          <Button
            size="strip"
            disabled={bench.parts.every((p) => p.isPlayed)}
            onClick={() => void navigate(`/exercises/answer?for=${shown?.id ?? ''}`)}
          >
            Answer here
          </Button>
          <Button
            kind="go"
            size="strip"
            disabled={bench.parts.length === 0}
            onClick={() => void navigate('/exercises/print')}
          >
            Print
          </Button>
          <MoreMenu button="More" label="More about the sheet" end>
            <MoreItem onClick={() => setListed(true)}>Kept sheets …</MoreItem>
            <MoreItem
              onClick={() => {
                change({ ...EMPTY, instruments: bench.instruments })
                setChosen(null)
              }}
            >
              A new sheet
            </MoreItem>
            {files.items}
          </MoreMenu>
          {files.input}
        </StripEnd>
      </Strip>
      <div className="grid min-h-0 flex-1 grid-cols-1 overflow-y-auto lg:grid-cols-[25rem_minmax(0,1fr)] lg:overflow-hidden">
        <div className="px-4 py-4 md:px-6 lg:overflow-y-auto">
          <h1 className="sr-only">Exercises</h1>
          {part && chosen !== null && (
            <PartSettings
              part={part}
              instruments={wanted}
              tunes={tunes}
              busy={busy}
              problem={problem?.part === chosen ? problem.text : null}
              onAsk={(request) => again(chosen, request)}
              onClose={() => setChosen(null)}
            />
          )}
          {problem && problem.part === null && <Refused>{problem.text}</Refused>}
          <h2 className="mb-2 text-xl">{bench.parts.length > 0 ? 'Add to the sheet' : 'What to train'}</h2>
          <KindList trainings={trainings} busy={busy} onAdd={(kind, needs) => void add(kind, needs)} />
        </div>
        <div
          ref={view}
          className="border-line bg-line/40 p-4 max-lg:order-first lg:overflow-y-auto lg:border-l"
          aria-busy={busy}
        >
          {bench.parts.length === 0 || !shown ? (
            <EmptyBench />
          ) : (
            <>
              <div className="mb-3 flex flex-wrap items-center gap-x-5 gap-y-2">
                {wanted.length > 1 && (
                  <Choice
                    label="Page"
                    value={shown.id}
                    options={wanted.map((i) => ({ value: i.id, label: i.name }))}
                    onChange={setLooking}
                  />
                )}
                <Tick checked={solved} onChange={setSolved}>
                  Answers
                </Tick>
                <Tick checked={pairs} onChange={setPairs}>
                  String and finger under music
                </Tick>
                <Tick checked={bench.nameLine} onChange={(nameLine) => note({ nameLine })}>
                  Line for a name
                </Tick>
                <Button size="small" disabled={busy} onClick={anotherSheet}>
                  <RefreshCw size={15} /> Another sheet like it
                </Button>
              </div>
              <div
                className="mx-auto bg-white shadow-md"
                style={{
                  width: PAPER_PX,
                  boxSizing: 'content-box',
                  padding: PAPER_PADDING,
                  zoom: viewPx ? Math.min(1, (viewPx - 40) / paperPx) : 1,
                }}
              >
                <SheetPaper
                  heading={bench.heading}
                  nameLine={bench.nameLine}
                  parts={bench.parts}
                  instrument={shown}
                  widthPx={PAPER_PX}
                  staffMm={staffMm ?? YOUNG_STAFF_MM}
                  pairs={pairs}
                  solved={solved}
                  tools={{
                    ofPart: (at) => (
                      <PartTools
                        part={bench.parts[at]}
                        busy={busy}
                        onSettings={() => setChosen(at)}
                        onStand={() => void toStand(at, 0)}
                        onAnother={(request) => again(at, request)}
                        onMove={(by) => change(movePart(bench, at, by))}
                        onTakeOut={() => drop(at)}
                      />
                    ),
                    ofItem: (p, at) => (
                      <ItemTools
                        part={bench.parts[p]}
                        at={at}
                        onStand={() => void toStand(p, at)}
                        onChange={(next) => change(withPart(bench, p, next))}
                      />
                    ),
                  }}
                />
              </div>
            </>
          )}
        </div>
      </div>
      {listed && (
        <KeptSheets
          onClose={() => setListed(false)}
          onOpen={(id) => {
            setListed(false)
            void navigate(`/exercises/${id}`)
          }}
        />
      )}
    </>
  )
}
