import { Radio, RadioGroup } from '@headlessui/react'
import { Keyboard, Pencil, Printer } from 'lucide-react'
import type { ReactNode } from 'react'
import type { Instrument } from '../api/client'
import { ROWS, type RowId } from '../engraving/layout'

/** Instrument switch, row switches and what else can be done with the tune. */
export function StandBar({
  instruments,
  instrument,
  onInstrument,
  rows,
  onRow,
  onEdit,
  onPrint,
  onKeys,
}: {
  instruments: readonly Instrument[]
  instrument: string
  onInstrument: (id: string) => void
  rows: readonly RowId[]
  onRow: (id: RowId) => void
  onEdit: () => void
  onPrint: () => void
  onKeys: () => void
}) {
  return (
    <div className="flex flex-wrap items-center gap-x-7 gap-y-2">
      <RadioGroup
        value={instrument}
        onChange={onInstrument}
        aria-label="Instrument"
        className="flex rounded-md border border-line-dark"
      >
        {instruments.map((i, n) => (
          <Radio
            key={i.id}
            value={i.id}
            className="flex cursor-pointer items-center gap-1.5 border-r border-line-dark px-3 py-1.5 font-bold last:border-r-0 hover:bg-maple-pale data-checked:bg-spruce data-checked:text-paper"
          >
            {i.name}
            <span className="text-xs font-normal opacity-80" aria-hidden="true">
              {n + 1}
            </span>
          </Radio>
        ))}
      </RadioGroup>
      <div role="group" aria-label="Rows under the notes" className="flex items-center gap-1">
        {ROWS.map((row) => (
          <button
            key={row.id}
            type="button"
            aria-pressed={rows.includes(row.id)}
            onClick={() => onRow(row.id)}
            className="flex items-center gap-1.5 rounded-md px-2.5 py-1.5 hover:bg-maple-pale aria-pressed:bg-maple-pale aria-pressed:font-bold"
          >
            <span
              aria-hidden="true"
              className={`size-3 rounded-[3px] border-2 border-maple ${rows.includes(row.id) ? 'bg-maple' : ''}`}
            />
            {row.label}
          </button>
        ))}
      </div>
      <div className="ml-auto flex items-center gap-1">
        <BarButton icon={<Pencil size={16} />} label="Edit" onClick={onEdit} />
        <BarButton icon={<Printer size={16} />} label="Print" onClick={onPrint} />
        <BarButton icon={<Keyboard size={16} />} label="Keys" onClick={onKeys} />
      </div>
    </div>
  )
}

function BarButton({ icon, label, onClick }: { icon: ReactNode; label: string; onClick: () => void }) {
  return (
    <button
      type="button"
      onClick={onClick}
      className="flex items-center gap-1.5 rounded-md px-2.5 py-1.5 hover:bg-maple-pale"
    >
      {icon}
      {label}
    </button>
  )
}
