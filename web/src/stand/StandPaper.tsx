import { useCallback, useMemo, useRef } from 'react'
import type { Reading } from '../api/client'
import { engravingOptions, type RowId } from '../engraving/layout'
import { fitOf, withRoom } from '../engraving/room'
import { TunePages } from '../engraving/TunePages'
import { useEngraving } from '../engraving/useEngraving'
import { HearBar } from '../hear/HearBar'
import type { Hear } from '../hear/useHear'
import { PaperColumn } from '../walk/PaperColumn'
import { TuneHead } from './TuneHead'
import { useStable } from '../ui/useStable'
import type { useLoop } from '../walk/useLoop'
import type { Pins } from '../walk/usePins'
import type { Probe } from './useProbe'
import type { Walk } from '../walk/useWalk'
import { useWidth } from '../ui/useWidth'

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
    useMemo(() => reading && withRoom(reading, rows), [reading, rows]),
    width ? engravingOptions(room / fit, rows) : null,
    'tune',
    reading?.musicXml,
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
    <PaperColumn
      head={
        reading && (
          <TuneHead
            reading={reading}
            onUsePrinted={keepPrinted}
            onOctave={chooseOctave}
            onLines={onLines}
            onShow={show}
            onLearned={onLearned}
          />
        )
      }
      view={paper}
      engraving={engraving}
      source={source}
      notes={walk.notes.length}
      tune={
        reading && (
          <TunePages
            engraving={engraving}
            reading={reading}
            rows={rows}
            fit={fit}
            now={probe.place ? NONE : here}
            same={probe.place ? probe.found : marked}
            onPick={pick}
          />
        )
      }
      hear={
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
      }
    />
  )
}
