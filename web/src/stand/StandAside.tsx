import { useMemo } from 'react'
import type { Reading } from '../api/client'
import { useSmall } from '../ui/useSmall'
import { Asked } from '../ui/Asked'
import { BeforeLine } from './BeforeLine'
import { BowPanel } from './BowPanel'
import { CountPanel } from './CountPanel'
import { Fingerboard } from '../board/Fingerboard'
import { FormPanel } from './FormPanel'
import { PlaceOnStaff } from './PlaceOnStaff'
import { useBefore, useBowing } from '../walk/queries'
import { PANELS, SMALL_PANELS, StandPanels, type PanelId } from './StandPanels'
import { useBows } from './useBows'
import type { MakeChange } from '../walk/useChanges'
import type { Pins } from '../walk/usePins'
import type { Probe } from './useProbe'
import type { Walk } from '../walk/useWalk'
import { WhyHere } from './WhyHere'

/**
 * The fingerboard, and below it one question about the music at a time. On a small window the fingerboard is one of
 * them.
 */
export function StandAside({
  tuneId,
  reading,
  walk,
  probe,
  pins,
  make,
  panel,
  onPanel,
}: {
  tuneId: number
  reading: Reading | undefined
  walk: Walk
  probe: Probe
  pins: Pins
  make: MakeChange
  panel: PanelId
  onPanel: (panel: PanelId) => void
}) {
  const small = useSmall()
  const instrument = reading?.instrument.id ?? ''
  const { now, line, lines, bar, index, setMarked, goLine } = walk
  const bowing = useBowing(tuneId, instrument, panel === 'bow')
  const bows = useBows(tuneId, instrument, make)
  const starts = useMemo(() => lines.map((l) => l.firstBar), [lines])
  const before = useBefore(tuneId, instrument, starts)
  const place = now?.string != null && now.semitones != null ? { string: now.string, semitones: now.semitones } : null
  const board = reading && now && (
    <Fingerboard
      instrument={reading.instrument}
      shapes={reading.shapes}
      now={probe.place ? null : place}
      sign={now.sign ?? null}
      probe={probe.place}
      onProbe={probe.set}
    />
  )
  const picked = reading && probe.place && (
    <PlaceOnStaff
      instrument={reading.instrument}
      fifths={reading.fifths}
      place={probe.place}
      found={probe.found.length}
      onClose={probe.end}
    />
  )
  const panels = (open: PanelId) =>
    reading &&
    now &&
    index && (
      <>
        {open === 'board' && (
          <div className="mx-auto max-w-[17rem]">
            {picked}
            {board}
          </div>
        )}
        {open === 'why' && (
          <WhyHere note={now} trouble={index.trouble.get(now.id)} onPin={(pair) => pins.pin(now.id, pair)} />
        )}
        {open === 'before' && (
          <Asked of={before}>
            <BeforeLine line={line} remarks={before.data?.[line]} onShow={setMarked} />
          </Asked>
        )}
        {open === 'bow' && (
          <Asked of={bowing}>
            <BowPanel bowing={bowing.data} now={now.id} bows={bows} onShow={setMarked} />
          </Asked>
        )}
        {open === 'count' && (
          <CountPanel
            bar={reading.bars[bar]}
            counts={index.counts[bar] ?? []}
            events={index.events[bar] ?? []}
            values={reading.values}
            now={now.id}
          />
        )}
        {open === 'form' && <FormPanel reading={reading} onShow={setMarked} onLine={goLine} />}
      </>
    )
  return (
    <aside
      className="aside min-h-0 overflow-y-auto border-line px-2 max-md:pb-3 md:border-l md:px-5 md:py-4"
      aria-label="Fingerboard and reasons"
    >
      {small ? (
        <StandPanels panels={SMALL_PANELS} panel={panel} onPanel={onPanel}>
          {panels(panel)}
        </StandPanels>
      ) : (
        board && (
          <>
            {board}
            <div className="mt-3 border-t border-line pt-3">
              {picked ?? (
                <StandPanels panels={PANELS} panel={panel} onPanel={onPanel}>
                  {panels(panel === 'board' ? 'why' : panel)}
                </StandPanels>
              )}
            </div>
          </>
        )
      )}
    </aside>
  )
}
