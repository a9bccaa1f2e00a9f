import { useHistoryKeys } from '../history/useHistoryKeys'
import { useRef, useState } from 'react'
import { useNavigate } from 'react-router'
import type { Instrument, TuneSummary } from '../api/client'
import { Refused } from '../ui/Said'
import { useKeys } from '../ui/useKeys'
import { BenchPaper } from './BenchPaper'
import { BenchStrip } from './BenchStrip'
import { KeptSheets } from './KeptSheets'
import { KindList } from './KindList'
import { PartSettings } from './PartSettings'
import { useTrainings } from './queries'
import type { Bench } from './sheet'
import { useSheetFiles } from './SheetFileItems'
import { useBench } from './useBench'
import { useBenchWork } from './useBenchWork'

/** What to train at the left, the sheet at the right. */
export function BenchTable({
  opened,
  before,
  instruments,
  aTune,
}: {
  opened: Bench
  /** What lay on the bench before, to be brought back. */
  before: Bench | null
  instruments: readonly Instrument[]
  /** One to begin with, where a kind of exercise needs a tune. */
  aTune: TuneSummary | undefined
}) {
  const navigate = useNavigate()
  const trainings = useTrainings()
  const desk = useBench(opened, before)
  const { bench, change, lay, undo, redo } = desk
  const work = useBenchWork(desk, instruments, aTune)
  const { busy, problem } = work
  const [chosen, setChosen] = useState<number | null>(null)
  const [looking, setLooking] = useState('')
  const [listed, setListed] = useState(false)
  const view = useRef<HTMLDivElement>(null)
  useHistoryKeys({ undo: () => undo?.(), redo: () => redo?.() })
  useKeys({
    ...Object.fromEntries(instruments.map((i, n) => [String(n + 1), () => setLooking(i.id)])),
  })

  const wanted = instruments.filter((i) => bench.instruments.includes(i.id))
  const shown = wanted.find((i) => i.id === looking) ?? wanted[0]
  const part = chosen === null ? undefined : bench.parts[chosen]
  const close = () => setChosen(null)
  const files = useSheetFiles(bench, (sheet) => {
    lay(sheet)
    close()
  })
  const add = async (kind: string, needsATune: boolean) => {
    const at = bench.parts.length
    if (!(await work.add(kind, needsATune))) return
    setChosen(at)
    // What was just put on the sheet comes into view.
    requestAnimationFrame(() =>
      view.current?.querySelector(`[data-part="${at}"]`)?.scrollIntoView({ block: 'start', behavior: 'smooth' }),
    )
  }
  return (
    <>
      <BenchStrip
        desk={desk}
        work={work}
        instruments={instruments}
        shown={shown}
        files={files}
        onKeptSheets={() => setListed(true)}
        onChosen={close}
      />
      <div className="grid min-h-0 flex-1 grid-cols-1 overflow-y-auto lg:grid-cols-[25rem_minmax(0,1fr)] lg:overflow-hidden">
        <div className="px-4 py-4 md:px-6 lg:overflow-y-auto">
          <h1 className="sr-only">Exercises</h1>
          {part && chosen !== null && (
            <PartSettings
              part={part}
              instruments={wanted}
              busy={busy}
              problem={problem?.part === chosen ? problem.text : null}
              onAsk={(request) => work.again(chosen, request)}
              onClose={close}
            />
          )}
          {problem && problem.part === null && <Refused>{problem.text}</Refused>}
          <h2 className="mb-2 text-xl">{bench.parts.length > 0 ? 'Add to the sheet' : 'What to train'}</h2>
          <KindList trainings={trainings} busy={busy} onAdd={(kind, needs) => void add(kind, needs)} />
        </div>
        <BenchPaper
          view={view}
          desk={desk}
          work={work}
          pages={wanted}
          shown={shown}
          onLook={setLooking}
          onSettings={setChosen}
          onTakeOut={(at) => {
            change({ ...bench, parts: bench.parts.filter((_, i) => i !== at) })
            close()
          }}
        />
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
