import { RefreshCw } from 'lucide-react'
import { useCallback, useLayoutEffect, useMemo, useRef, useState, type RefObject } from 'react'
import type { Instrument } from '../api/client'
import { useWidth } from '../ui/useWidth'
import { Button } from '../ui/Button'
import { Choice } from '../ui/Choice'
import { useKept } from '../offline/kept'
import { Tick } from '../ui/Tick'
import { ItemTools, PartTools } from './BenchTools'
import { EmptyBench } from './EmptyBench'
import { movePart, withPart } from './sheet'
import { SheetPaper, type Tools } from './SheetPaper'
import { YOUNG_STAFF_MM } from './staves'
import type { useBench } from './useBench'
import type { useBenchWork } from './useBenchWork'

/** Width of the printed A4 page inside its margins. */
const PAPER_PX = 700
const PAPER_PADDING = 28

/** The sheet as it will be printed, with what can be done to its parts and questions. */
export function BenchPaper({
  view,
  desk: { bench, change, note },
  work,
  pages,
  shown,
  onLook,
  onSettings,
  onTakeOut,
}: {
  view: RefObject<HTMLDivElement | null>
  desk: ReturnType<typeof useBench>
  work: ReturnType<typeof useBenchWork>
  /** The instruments that have a page. */
  pages: readonly Instrument[]
  shown: Instrument | undefined
  onLook: (id: string) => void
  onSettings: (part: number) => void
  onTakeOut: (part: number) => void
}) {
  const [pairs, setPairs] = useState(true)
  const [solved, setSolved] = useState(false)
  const [staffMm] = useKept<number>('sheet-staff')
  const viewPx = useWidth(view)
  // What is pressed works on the bench as it is then; the sheet is not laid out anew for it.
  const latest = useRef({ bench, change, work, onSettings, onTakeOut })
  useLayoutEffect(() => {
    latest.current = { bench, change, work, onSettings, onTakeOut }
  })
  const { parts } = bench
  const { busy } = work
  const own = shown?.id ?? ''
  const ofItem = useCallback<Tools['ofItem']>(
    (at, item, part) => (
      <ItemTools
        part={part}
        at={item}
        onStand={() => void latest.current.work.toStand(at, item, own)}
        onChange={(next) => latest.current.change(withPart(latest.current.bench, at, next))}
      />
    ),
    [own],
  )
  const tools = useMemo<Tools>(
    () => ({
      ofPart: (at) => (
        <PartTools
          part={parts[at]}
          busy={busy}
          onSettings={() => latest.current.onSettings(at)}
          onStand={() => void latest.current.work.toStand(at, 0, own)}
          onAnother={(request) => latest.current.work.again(at, request)}
          onMove={(by) => latest.current.change(movePart(latest.current.bench, at, by))}
          onTakeOut={() => latest.current.onTakeOut(at)}
        />
      ),
      ofItem,
    }),
    [parts, busy, own, ofItem],
  )
  const paperPx = PAPER_PX + 2 * PAPER_PADDING
  return (
    <div
      ref={view}
      className="border-line bg-line/40 p-4 max-lg:order-first lg:overflow-y-auto lg:border-l"
      aria-busy={work.busy}
    >
      {bench.parts.length === 0 || !shown ? (
        <EmptyBench />
      ) : (
        <>
          <div className="mb-3 flex flex-wrap items-center gap-x-5 gap-y-2">
            {pages.length > 1 && (
              <Choice
                label="Page"
                value={shown.id}
                options={pages.map((i) => ({ value: i.id, label: i.name }))}
                onChange={onLook}
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
            <Button size="small" disabled={work.busy} onClick={work.anotherSheet}>
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
              tools={tools}
            />
          </div>
        </>
      )}
    </div>
  )
}
