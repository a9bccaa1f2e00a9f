import { useCallback, useMemo, useState } from 'react'
import { useLocation, useNavigate, useParams, useSearchParams } from 'react-router'
import { Refusal } from '../api/client'
import { rowsOf } from '../engraving/layout'
import { useHear } from '../hear/useHear'
import { useHistoryKeys } from '../history/useHistoryKeys'
import { TogetherStand } from '../together'
import { Learned } from '../classes'
import { EditTune, useTuneDraft, WhichLine } from '../tunes'
import { Button } from '../ui/Button'
import { ALL } from '../ui/InstrumentChoice'
import { Mishap } from '../ui/Mishap'
import { Screen } from '../ui/Screen'
import { TextLink } from '../ui/TextLink'
import { useSmall } from '../ui/useSmall'
import { useStable } from '../ui/useStable'
import { KeyList } from './KeyList'
import { LineMap } from '../walk/LineMap'
import { StandAside } from './StandAside'
import { StandBar } from './StandBar'
import { nextPanel, PANELS, SMALL_PANELS, type PanelId } from './StandPanels'
import { StandPaper } from './StandPaper'
import { useChanges } from '../walk/useChanges'
import { useLoop } from '../walk/useLoop'
import { useOpenTune } from './useOpenTune'
import { usePins } from '../walk/usePins'
import { useProbe } from './useProbe'
import { useRows } from '../walk/useRows'
import { useStandKeys } from './useStandKeys'
import { useWalk } from '../walk/useWalk'

/** The stand: one tune, one instrument, note by note. Another tune is another stand. */
export function Stand() {
  const { id } = useParams()
  const isAll = useSearchParams()[0].get('for') === ALL
  return isAll ? <AllStand key={id} /> : <OneStand key={id} />
}

/** One tune for all sections. */
function AllStand() {
  const { id, tune, instruments, playOn } = useOpenTune()
  return <TogetherStand id={id} source={tune?.source} instruments={instruments} onInstrument={playOn} />
}

function OneStand() {
  const navigate = useNavigate()
  const small = useSmall()
  const { id, tune, instruments, instrument, reading, error, again, playOn } = useOpenTune()
  const kept = useRows()
  const rows = useMemo(
    () => kept.rows.filter((id) => rowsOf(reading).some((row) => row.id === id)),
    [kept.rows, reading],
  )
  const toggle = useStable(kept.toggle)
  const asksLine = (useLocation().state as { whichLine?: boolean } | null)?.whichLine === true
  const [open, setOpen] = useState<'keys' | 'edit' | 'lines' | 'learned' | null>(asksLine ? 'lines' : null)
  const [panel, setPanel] = useState<PanelId>(small ? 'board' : 'why')
  const [draft] = useTuneDraft(id)
  const walk = useWalk(reading)
  const probe = useProbe(reading)
  const { make, undo: takeBack, redo: makeAgain } = useChanges()
  const pins = usePins(id, instrument, make)
  const hear = useHear(reading, walk.pick)
  const loop = useLoop(hear, walk)
  const edit = useCallback(() => setOpen('edit'), [])
  const keys = useCallback(() => setOpen('keys'), [])
  const lines = useCallback(() => setOpen('lines'), [])
  const learned = useCallback(() => setOpen('learned'), [])
  const undo = useStable(() => takeBack(reading?.instrument.name ?? '', walk.pick))
  useHistoryKeys({ undo, redo: () => makeAgain(reading?.instrument.name ?? '', walk.pick) })
  const print = useStable(() => void navigate(`/tunes/${id}/print?for=${instrument}&rows=${rows.join(',')}`))
  const mend = useStable(() => void navigate(`/tunes/${id}/write?for=${instrument}`))
  useStandKeys({
    mend,
    walk,
    hear,
    instruments,
    endProbe: probe.end,
    loopEnd: loop.setEnd,
    turn: pins.turn,
    nextPanel: () => setPanel(nextPanel(panel, small ? SMALL_PANELS : PANELS)),
    keys,
    edit,
    print,
    playOn,
    row: toggle,
  })
  const editor = open === 'edit' && tune && <EditTune tune={tune} onClose={() => setOpen(null)} />
  if (error)
    return (
      <Screen title={tune?.summary.title ?? 'A tune'} className="flex min-h-0 flex-1 overflow-y-auto">
        {!tune && error instanceof Refusal && error.status === 404 ? (
          <NotHere why={error.message} />
        ) : (
          <Mishap
            title={tune ? `“${tune.summary.title}” cannot be shown` : 'The tune cannot be shown'}
            why={error.message}
            source={tune?.source}
            onAgain={again}
          >
            {tune && <Button onClick={edit}>Edit</Button>}
          </Mishap>
        )}
        {editor}
      </Screen>
    )
  return (
    <Screen
      title={reading ? `${reading.title}, ${reading.instrument.name.toLowerCase()}` : (tune?.summary.title ?? 'A tune')}
      className="flex min-h-0 flex-1 flex-col"
    >
      <StandBar
        reading={reading}
        instruments={instruments}
        instrument={instrument}
        onInstrument={playOn}
        rows={rows}
        unsaved={draft !== null}
        onRow={toggle}
        onUndo={undo}
        onMend={mend}
        onEdit={edit}
        onPrint={print}
        onKeys={keys}
      />
      {/* On a small window the paper comes first: above the rest, or at its left where the window is low. */}
      <div className="grid min-h-0 flex-1 grid-rows-[minmax(0,1fr)_34dvh] md:grid-cols-[6.5rem_minmax(0,1fr)_20rem] md:grid-rows-1 max-md:landscape:grid-cols-[minmax(0,1fr)_18rem] max-md:landscape:grid-rows-1">
        <div className="hidden min-h-0 border-r border-line md:flex md:flex-col">
          {reading && <LineMap reading={reading} line={walk.line} onGo={walk.goLine} />}
        </div>
        <StandPaper
          reading={reading}
          source={tune?.source}
          onLines={lines}
          onLearned={learned}
          rows={rows}
          walk={walk}
          probe={probe}
          pins={pins}
          hear={hear}
          loop={loop}
        />
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
      {open === 'lines' && tune && <WhichLine id={id} title={tune.summary.title} onClose={() => setOpen(null)} />}
      {open === 'learned' && tune && <Learned tuneId={id} onClose={() => setOpen(null)} />}
      {editor}
    </Screen>
  )
}

function NotHere({ why }: { why: string }) {
  return (
    <section className="m-auto max-w-md p-8">
      <h1 className="mb-2 text-2xl">This tune is not here</h1>
      <p className="mb-4">{why}</p>
      <TextLink to="/tunes">To the tunes</TextLink>
    </section>
  )
}
