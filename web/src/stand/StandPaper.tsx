import { useCallback, useMemo, useRef } from 'react'
import type { Reading } from '../api/client'
import { EngravingMishap } from '../engraving/EngravingMishap'
import { engravingOptions, type RowId } from '../engraving/layout'
import { fitOf, withRoom } from '../engraving/room'
import { TunePages } from '../engraving/TunePages'
import { useEngraving } from '../engraving/useEngraving'
import { Working } from '../engraving/Working'
import { HearBar } from '../hear/HearBar'
import type { Hear } from '../hear/useHear'
import { TuneHead } from './TuneHead'
import { useStable } from '../ui/useStable'
import type { useLoop } from './useLoop'
import type { Pins } from './usePins'
import type { Probe } from './useProbe'
import type { Walk } from './useWalk'
import { useWidth } from './useWidth'

const NONE: readonly string[] = []
const EDGE_PX = 8
const NO_DRONES: Reading['drones'] = []

/** The notes with their rows, and below them what makes them heard. */
export function StandPaper({
  reading,
  source,
  onLines,
  onLearned,
  rows,
  walk,
  probe,
  pins,
  hear,
  loop,
}: {
  reading: Reading | undefined
  /** The tune as it was written, to copy where it cannot be drawn. */
  source: string | undefined
  /** Asks which line of the score is for whom. */
  onLines: () => void
  /** Marks it as learned. */
  onLearned: () => void
  rows: readonly RowId[]
  walk: Walk
  probe: Probe
  pins: Pins
  hear: Hear
  loop: ReturnType<typeof useLoop>
}) {
  const paper = useRef<HTMLDivElement>(null)
  const width = useWidth(paper)
  const room = width - EDGE_PX
  const fit = useMemo(() => (reading ? fitOf(reading, rows, room) : 1), [reading, rows, room])
  const engraving = useEngraving(
    useMemo(() => reading && withRoom(reading.musicXml, reading, rows), [reading, rows]),
    width ? engravingOptions(room / fit, rows) : null,
    'tune',
  )
  const { pick: walkTo, now, marked } = walk
  const { end } = probe
  const pick = useCallback(
    (noteId: string) => {
      end()
      walkTo(noteId)
    },
    [end, walkTo],
  )
  const here = useMemo(() => (now ? [now.id, ...now.tiedIds] : NONE), [now])
  const toggle = useStable(() => hear.toggle(now?.id))
  const step = useStable((by: 1 | -1) => {
    end()
    walk.go(walk.at + by)
  })
  const set = useStable(hear.set)
  const choose = useStable(loop.choose)
  const { usePrinted, octave } = pins
  const show = useStable((noteIds: readonly string[]) => {
    end()
    walk.setMarked(noteIds)
    if (noteIds[0]) walkTo(noteIds[0])
  })
  const [keepPrinted, chooseOctave] = [useStable(usePrinted), useStable(octave)]
  return (
    <div className="flex min-h-0 flex-col bg-sheet">
      {/* A region that scrolls must be reachable from the keyboard. */}
      <div
        className="paper-scroll min-h-0 flex-1 overflow-x-hidden overflow-y-auto px-2 pt-2 pb-6 md:px-6 md:pt-4 md:pb-10"
        data-testid="paper"
        // eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex
        tabIndex={0}
        role="region"
        aria-label="Paper"
      >
        {reading && (
          <TuneHead
            reading={reading}
            onUsePrinted={keepPrinted}
            onOctave={chooseOctave}
            onLines={onLines}
            onShow={show}
            onLearned={onLearned}
          />
        )}
        <div ref={paper} className="min-h-40">
          <EngravingMishap engraving={engraving} source={source} />
          {reading && (
            <TunePages
              engraving={engraving}
              reading={reading}
              rows={rows}
              fit={fit}
              now={probe.place ? NONE : here}
              same={probe.place ? probe.found : marked}
              onPick={pick}
            />
          )}
          {(!reading || engraving.working) && !engraving.error && (
            <Working notes={walk.notes.length} engraving={engraving} />
          )}
        </div>
      </div>
      {engraving.pages.length > 0 && (
        <HearBar
          playing={hear.playing}
          settings={hear.settings}
          drones={reading?.drones ?? NO_DRONES}
          loopWords={loop.words}
          onSet={set}
          onToggle={toggle}
          onStep={step}
          onLoop={choose}
        />
      )}
    </div>
  )
}
