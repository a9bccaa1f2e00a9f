import { useCallback, useMemo, useRef } from 'react'
import type { Reading } from '../api/client'
import { engravingOptions, stavesOptions, type RowId } from '../engraving/layout'
import { fitOf, withRoom } from '../engraving/room'
import { TunePages } from '../engraving/TunePages'
import { useEngraving } from '../engraving/useEngraving'
import { HearBar } from '../hear/HearBar'
import type { Hear } from '../hear/useHear'
import { PaperColumn } from '../walk/PaperColumn'
import type { MakeChange } from '../walk/useChanges'
import type { useLoop } from '../walk/useLoop'
import { useWidth } from '../ui/useWidth'
import type { Walk } from '../walk/useWalk'
import { SHARED } from './rows'
import { TogetherHead } from './TogetherHead'
import type { TogetherScore } from './useTogetherScore'

const NONE: readonly string[] = []
const PAIR: readonly RowId[] = ['pair']
const EDGE_PX = 8
const NO_DRONES: Reading['drones'] = []

/** The tune with all sections’ pairs: under one staff, or a staff each. */
export function TogetherPaper({
  score,
  source,
  rows: chosen,
  walk,
  hear,
  loop,
  make,
}: {
  score: TogetherScore
  source: string | undefined
  rows: readonly RowId[]
  walk: Walk
  hear: Hear
  loop: ReturnType<typeof useLoop>
  make: MakeChange
}) {
  const { shown, lead, readings, all, paper, moments, together } = score
  const view = useRef<HTMLDivElement>(null)
  const width = useWidth(view)
  const room = width - EDGE_PX
  const rows = useMemo<readonly RowId[]>(
    () =>
      paper === 'each'
        ? PAIR
        : [
            ...(readings ?? []).map(() => 'section' as const),
            ...chosen.filter((r) => SHARED.some((row) => row.id === r)),
          ],
    [paper, readings, chosen],
  )
  const wide = useMemo(() => shown && { ...shown, ...all }, [shown, all])
  const fit = useMemo(() => {
    if (!wide || !readings) return 1
    // Under a staff each, the staff with the widest bar decides.
    return paper === 'each' ? Math.min(...readings.map((r) => fitOf(r, PAIR, room))) : fitOf(wide, rows, room)
  }, [wide, readings, paper, rows, room])
  const options = paper === 'each' ? stavesOptions : engravingOptions
  const engraving = useEngraving(
    useMemo(() => wide && withRoom(wide, rows), [wide, rows]),
    width ? options(room / fit, rows) : null,
    'tune',
    wide?.musicXml,
  )
  const { now, pick } = walk
  const here = useMemo(() => {
    if (!now) return NONE
    if (paper === 'one') return [now.id, ...now.tiedIds]
    const moment = moments?.of.get(now.id)
    return (
      moment?.sections.flatMap(({ noteId }, i) => (noteId ? [(together?.sections[i]?.prefix ?? '') + noteId] : [])) ??
      NONE
    )
  }, [now, paper, moments, together])
  const pickAny = useCallback((id: string) => pick(moments?.leadOf.get(id) ?? id), [pick, moments])
  return (
    <PaperColumn
      head={lead && <TogetherHead score={score} make={make} />}
      view={view}
      engraving={engraving}
      source={source}
      notes={walk.notes.length}
      tune={
        shown && (
          <TunePages
            key={paper}
            engraving={engraving}
            reading={shown}
            all={all}
            rows={rows}
            fit={fit}
            now={here}
            same={NONE}
            onPick={pickAny}
          />
        )
      }
      hear={
        <HearBar
          playing={hear.playing}
          settings={hear.settings}
          drones={lead?.drones ?? NO_DRONES}
          loopWords={loop.words}
          onSet={hear.set}
          onToggle={() => hear.toggle(now?.id)}
          onStep={(by) => walk.go(walk.at + by)}
          onLoop={loop.choose}
        />
      }
    />
  )
}
