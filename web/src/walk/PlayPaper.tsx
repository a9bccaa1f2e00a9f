import { useMemo, useRef, type ReactNode } from 'react'
import type { Reading } from '../api/client'
import { EngravingMishap } from '../engraving/EngravingMishap'
import { engravingOptions, type RowId } from '../engraving/layout'
import { fitOf, withRoom } from '../engraving/room'
import { TunePages } from '../engraving/TunePages'
import { useEngraving } from '../engraving/useEngraving'
import { Working } from '../engraving/Working'
import { HearBar } from '../hear/HearBar'
import { useHear, type Hear } from '../hear/useHear'
import { Asked } from '../ui/Asked'
import { useLoop } from './useLoop'
import { useWalk } from './useWalk'
import { useWidth } from '../ui/useWidth'

const ROWS: readonly RowId[] = ['pair', 'name']
const EDGE_PX = 8
const NONE: readonly string[] = []

/** Music to play from: its notes with string and finger, to be heard slowly, in a loop and over a drone. */
export function PlayPaper({
  asked,
  head,
}: {
  asked: { data: Reading | undefined; error: Error | null; refetch: () => unknown }
  /** Over the music; it may set the tempo. */
  head: (hear: Hear) => ReactNode
}) {
  const reading = asked.data
  const walk = useWalk(reading)
  const hear = useHear(reading, walk.pick)
  const loop = useLoop(hear, walk)
  const paper = useRef<HTMLDivElement>(null)
  const width = useWidth(paper)
  const room = width - EDGE_PX
  const fit = useMemo(() => (reading ? fitOf(reading, ROWS, room) : 1), [reading, room])
  const engraving = useEngraving(
    useMemo(() => reading && withRoom(reading, ROWS), [reading]),
    width ? engravingOptions(room / fit, ROWS) : null,
    'tune',
    reading?.musicXml,
  )
  const { now } = walk
  const here = useMemo(() => (now ? [now.id, ...now.tiedIds] : NONE), [now])
  return (
    <>
      <div className="paper-scroll min-h-0 flex-1 overflow-x-hidden overflow-y-auto bg-sheet px-2 pt-3 pb-6">
        <div className="px-2">{head(hear)}</div>
        <Asked of={asked}>
          <div ref={paper} className="min-h-40">
            <EngravingMishap engraving={engraving} source={undefined} />
            {reading && (
              <TunePages
                engraving={engraving}
                reading={reading}
                rows={ROWS}
                fit={fit}
                now={here}
                same={NONE}
                onPick={walk.pick}
              />
            )}
            {(!reading || engraving.working) && !engraving.error && (
              <Working notes={walk.notes.length} engraving={engraving} />
            )}
          </div>
        </Asked>
      </div>
      {engraving.pages.length > 0 && (
        <HearBar
          playing={hear.playing}
          settings={hear.settings}
          drones={reading?.drones ?? []}
          loopWords={loop.words}
          onSet={hear.set}
          onToggle={() => hear.toggle(now?.id)}
          onStep={(by) => walk.go(walk.at + by)}
          onLoop={loop.choose}
        />
      )}
    </>
  )
}
