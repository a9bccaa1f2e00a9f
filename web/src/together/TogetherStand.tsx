import { useCallback, useState } from 'react'
import { useNavigate } from 'react-router'
import { useHear } from '../hear/useHear'
import { useHistoryKeys } from '../history/useHistoryKeys'
import { LineMap } from '../walk/LineMap'
import { useChanges } from '../walk/useChanges'
import { useLoop } from '../walk/useLoop'
import { useRows } from '../walk/useRows'
import { useWalk } from '../walk/useWalk'
import type { Instrument } from '../api/client'
import { useKept } from '../offline/kept'
import { Mishap } from '../ui/Mishap'
import { Screen } from '../ui/Screen'
import { useKeys } from '../ui/useKeys'
import { useStable } from '../ui/useStable'
import { CallPanel } from './CallPanel'
import { TogetherBar } from './TogetherBar'
import { TogetherKeys } from './TogetherKeys'
import { TogetherPaper } from './TogetherPaper'
import { useTogetherScore, type Paper } from './useTogetherScore'

/** The stand for all sections of a class at once: one tune, what each plays, and what to call. */
export function TogetherStand({
  id,
  source,
  instruments,
  onInstrument,
}: {
  id: number
  /** The tune as it was written. */
  source: string | undefined
  instruments: readonly Instrument[]
  /** Goes to one instrument’s stand. */
  onInstrument: (id: string) => void
}) {
  const navigate = useNavigate()
  const [keptPaper, setPaper] = useKept<Paper>('together')
  const score = useTogetherScore(id, keptPaper ?? 'one')
  const { lead, moments, merged } = score
  const walk = useWalk(lead)
  const { rows, toggle } = useRows()
  const [keys, setKeys] = useState(false)
  const { make, undo, redo } = useChanges()
  const { pick } = walk
  const heard = useCallback((noteId: string) => pick(moments?.leadOf.get(noteId) ?? noteId), [pick, moments])
  const hear = useHear(merged ?? lead, heard)
  const loop = useLoop(hear, walk)
  const other = useStable(() => setPaper(score.paper === 'one' ? 'each' : 'one'))
  const sheet = useStable(() => void navigate(`/tunes/${id}/calls`))
  const caller = useStable(() => void navigate(`/tunes/${id}/caller`))
  useHistoryKeys({
    undo: () => undo(lead?.instrument.name ?? '', pick),
    redo: () => redo(lead?.instrument.name ?? '', pick),
  })
  useKeys({
    ArrowRight: () => walk.go(walk.at + 1),
    ArrowLeft: () => walk.go(walk.at - 1),
    Home: () => walk.go(0),
    End: () => walk.go(walk.notes.length - 1),
    ArrowDown: () => walk.goLine(walk.line + 1),
    ArrowUp: () => walk.goLine(walk.line - 1),
    ' ': () => hear.toggle(walk.now?.id),
    '[': () => loop.setEnd('from'),
    ']': () => loop.setEnd('to'),
    '?': () => setKeys(true),
    g: other,
    k: caller,
    w: sheet,
    ...Object.fromEntries(instruments.map((i, n) => [String(n + 1), () => onInstrument(i.id)])),
  })
  if (score.error)
    return (
      <Screen title="A tune" className="flex min-h-0 flex-1 overflow-y-auto">
        <Mishap
          title="The tune cannot be shown for all sections"
          why={score.error.message}
          source={source}
          onAgain={score.again}
        />
      </Screen>
    )
  return (
    <Screen title={lead ? `${lead.title}, all together` : 'All together'} className="flex min-h-0 flex-1 flex-col">
      <TogetherBar
        instruments={instruments}
        onInstrument={onInstrument}
        paper={score.paper}
        isOneLine={score.together?.isOneLine ?? true}
        onPaper={setPaper}
        rows={rows}
        onRow={toggle}
        onUndo={() => undo(lead?.instrument.name ?? '', pick)}
        onCaller={caller}
        onSheet={sheet}
        onKeys={() => setKeys(true)}
      />
      <div className="grid min-h-0 flex-1 grid-rows-[minmax(0,1fr)_34dvh] md:grid-cols-[6.5rem_minmax(0,1fr)_20rem] md:grid-rows-1 max-md:landscape:grid-cols-[minmax(0,1fr)_18rem] max-md:landscape:grid-rows-1">
        <div className="hidden min-h-0 border-r border-line md:flex md:flex-col">
          {lead && <LineMap reading={lead} line={walk.line} onGo={walk.goLine} />}
        </div>
        <TogetherPaper score={score} source={source} rows={rows} walk={walk} hear={hear} loop={loop} make={make} />
        <CallPanel id={id} score={score} walk={walk} />
      </div>
      {keys && <TogetherKeys instruments={instruments} onClose={() => setKeys(false)} />}
    </Screen>
  )
}
