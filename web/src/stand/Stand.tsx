import { useCallback, useState } from 'react'
import { useNavigate } from 'react-router'
import { useHear } from '../hear/useHear'
import { EditTune } from '../tunes/EditTune'
import { TextLink } from '../ui/TextLink'
import { useStable } from '../ui/useStable'
import { KeyList } from './KeyList'
import { LineMap } from './LineMap'
import { StandAside } from './StandAside'
import { StandBar } from './StandBar'
import { nextPanel, type PanelId } from './StandPanels'
import { StandPaper } from './StandPaper'
import { useChanges } from './useChanges'
import { useLoop } from './useLoop'
import { useOpenTune } from './useOpenTune'
import { usePins } from './usePins'
import { useProbe } from './useProbe'
import { useRows } from './useRows'
import { useStandKeys } from './useStandKeys'
import { useWalk } from './useWalk'

/** The stand: one tune, one instrument, note by note. */
export function Stand() {
  const navigate = useNavigate()
  const { id, tune, instruments, instrument, reading, error, playOn } = useOpenTune()
  const kept = useRows()
  const rows = kept.rows
  const toggle = useStable(kept.toggle)
  const [open, setOpen] = useState<'keys' | 'edit' | null>(null)
  const [panel, setPanel] = useState<PanelId>('why')
  const walk = useWalk(reading)
  const probe = useProbe(reading)
  const { make, undo } = useChanges()
  const pins = usePins(id, instrument, make)
  const hear = useHear(reading, walk.pick)
  const loop = useLoop(hear, walk)
  const edit = useCallback(() => setOpen('edit'), [])
  const keys = useCallback(() => setOpen('keys'), [])
  const print = useStable(() => void navigate(`/tunes/${id}/print?for=${instrument}&rows=${rows.join(',')}`))
  useStandKeys({
    walk,
    hear,
    instruments,
    endProbe: probe.end,
    loopEnd: loop.setEnd,
    turn: pins.turn,
    undo,
    nextPanel: () => setPanel(nextPanel(panel)),
    keys,
    edit,
    print,
    playOn,
    row: toggle,
  })
  if (error) return <NotHere why={error.message} />
  return (
    <main className="flex min-h-0 flex-1 flex-col">
      <StandBar
        instruments={instruments}
        instrument={instrument}
        onInstrument={playOn}
        rows={rows}
        onRow={toggle}
        onEdit={edit}
        onPrint={print}
        onKeys={keys}
      />
      <div className="grid min-h-0 flex-1 grid-cols-1 md:grid-cols-[6.5rem_minmax(0,1fr)_20rem]">
        <div className="hidden min-h-0 border-r border-line md:flex md:flex-col">
          {reading && <LineMap reading={reading} line={walk.line} onGo={walk.goLine} />}
        </div>
        <StandPaper reading={reading} rows={rows} walk={walk} probe={probe} pins={pins} hear={hear} loop={loop} />
        <StandAside
          tuneId={id}
          reading={reading}
          walk={walk}
          probe={probe}
          pins={pins}
          make={make}
          panel={panel}
          onPanel={setPanel}
        />
      </div>
      {open === 'keys' && <KeyList instruments={instruments} onClose={() => setOpen(null)} />}
      {open === 'edit' && tune && <EditTune tune={tune} onClose={() => setOpen(null)} />}
    </main>
  )
}

function NotHere({ why }: { why: string }) {
  return (
    <main className="m-auto max-w-md p-8">
      <h1 className="mb-2 text-2xl">This tune is not here</h1>
      <p className="mb-4">{why}</p>
      <TextLink to="/tunes">To the tunes</TextLink>
    </main>
  )
}
