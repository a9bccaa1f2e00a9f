import { Keyboard, ListChecks, MonitorUp, Undo2 } from 'lucide-react'
import type { Instrument } from '../api/client'
import type { RowId } from '../engraving/layout'
import { BarButton } from '../walk/BarButton'
import { RowSwitch } from '../walk/RowSwitch'
import { InstrumentChoice } from '../ui/InstrumentChoice'
import { Strip, StripEnd } from '../ui/Strip'
import { SHARED } from './rows'
import type { Paper } from './useTogetherScore'

export function TogetherBar({
  instruments,
  onInstrument,
  paper,
  isOneLine,
  onPaper,
  rows,
  onRow,
  onUndo,
  onCaller,
  onSheet,
  onKeys,
}: {
  instruments: readonly Instrument[]
  onInstrument: (id: string) => void
  paper: Paper
  /** False where sections read lines of their own. */
  isOneLine: boolean
  onPaper: (paper: Paper) => void
  rows: readonly RowId[]
  onRow: (id: RowId) => void
  onUndo: () => void
  onCaller: () => void
  onSheet: () => void
  onKeys: () => void
}) {
  return (
    <Strip lead={<InstrumentChoice keys all instruments={instruments} value="all" onChange={onInstrument} />}>
      {isOneLine && (
        <RowSwitch
          label="A staff each"
          on={paper === 'each'}
          onClick={() => onPaper(paper === 'each' ? 'one' : 'each')}
        />
      )}
      {paper === 'one' && (
        <div role="group" aria-label="Rows under the pairs" className="flex flex-wrap items-center gap-1">
          {SHARED.map((row) => (
            <RowSwitch key={row.id} label={row.label} on={rows.includes(row.id)} onClick={() => onRow(row.id)} />
          ))}
        </div>
      )}
      <StripEnd>
        <BarButton icon={<MonitorUp size={16} />} label="Caller" onClick={onCaller} />
        <BarButton icon={<ListChecks size={16} />} label="Call sheet" onClick={onSheet} />
        <BarButton icon={<Undo2 size={16} />} label="Undo" onClick={onUndo} />
        <BarButton icon={<Keyboard size={16} />} label="Keys" onClick={onKeys} />
      </StripEnd>
    </Strip>
  )
}
