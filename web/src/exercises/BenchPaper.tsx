import { RefreshCw } from 'lucide-react'
import { useState, type RefObject } from 'react'
import type { Instrument } from '../api/client'
import { useWidth } from '../stand/useWidth'
import { Button } from '../ui/Button'
import { Choice } from '../ui/Choice'
import { useKept } from '../ui/kept'
import { Tick } from '../ui/Tick'
import { ItemTools, PartTools } from './BenchTools'
import { EmptyBench } from './EmptyBench'
import { movePart, withPart } from './sheet'
import { SheetPaper } from './SheetPaper'
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
              tools={{
                ofPart: (at) => (
                  <PartTools
                    part={bench.parts[at]}
                    busy={work.busy}
                    onSettings={() => onSettings(at)}
                    onStand={() => void work.toStand(at, 0, shown.id)}
                    onAnother={(request) => work.again(at, request)}
                    onMove={(by) => change(movePart(bench, at, by))}
                    onTakeOut={() => onTakeOut(at)}
                  />
                ),
                ofItem: (part, at) => (
                  <ItemTools
                    part={bench.parts[part]}
                    at={at}
                    onStand={() => void work.toStand(part, at, shown.id)}
                    onChange={(next) => change(withPart(bench, part, next))}
                  />
                ),
              }}
            />
          </div>
        </>
      )}
    </div>
  )
}
