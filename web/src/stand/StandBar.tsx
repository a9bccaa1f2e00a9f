import { Keyboard, Music, Pencil, Printer, Undo2 } from 'lucide-react'
import { memo } from 'react'
import type { Instrument, Reading } from '../api/client'
import { rowsOf, type RowId } from '../engraving/layout'
import { InstrumentChoice } from '../ui/InstrumentChoice'
import { Strip, StripEnd } from '../ui/Strip'
import { BarButton } from '../walk/BarButton'
import { RowSwitch } from '../walk/RowSwitch'

/** Instrument switch, row switches and what else can be done with the tune. */
export const StandBar = memo(function StandBar({
  reading,
  instruments,
  instrument,
  onInstrument,
  rows,
  unsaved,
  onRow,
  onUndo,
  onMend,
  onEdit,
  onPrint,
  onKeys,
}: {
  reading: Reading | undefined
  instruments: readonly Instrument[]
  instrument: string
  onInstrument: (id: string) => void
  rows: readonly RowId[]
  /** An edit of the tune was begun and not saved. */
  unsaved: boolean
  onRow: (id: RowId) => void
  onUndo: () => void
  /** Goes to the notes on the writing staff. */
  onMend: () => void
  onEdit: () => void
  onPrint: () => void
  onKeys: () => void
}) {
  return (
    <Strip lead={<InstrumentChoice keys all instruments={instruments} value={instrument} onChange={onInstrument} />}>
      <div role="group" aria-label="Rows under the notes" className="flex flex-wrap items-center gap-1">
        {rowsOf(reading).map((row) => (
          <RowSwitch key={row.id} label={row.label} on={rows.includes(row.id)} onClick={() => onRow(row.id)} />
        ))}
      </div>
      <StripEnd>
        <BarButton icon={<Undo2 size={16} />} label="Undo" onClick={onUndo} />
        <BarButton icon={<Music size={16} />} label="Mend" onClick={onMend} />
        <BarButton icon={<Pencil size={16} />} label={unsaved ? 'Edit (unsaved)' : 'Edit'} onClick={onEdit} />
        <BarButton icon={<Printer size={16} />} label="Print" onClick={onPrint} />
        <BarButton icon={<Keyboard size={16} />} label="Keys" onClick={onKeys} />
      </StripEnd>
    </Strip>
  )
})
