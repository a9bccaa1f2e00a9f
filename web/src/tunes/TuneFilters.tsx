import { inDigits } from '../calendar/days'
import type { Instrument } from '../api/client'
import { Select } from '../ui/Field'
import { useTuneKeys, type TuneChoice } from './queries'
import { CLASS_ORDERS, ORDERS, REACHES } from './useTuneChoice'

/** What narrows the list, its order, and how many are left. */
export function TuneFilters({
  choice,
  onChoose,
  instruments,
  found,
  working,
  ofClass,
}: {
  choice: TuneChoice
  onChoose: (changed: Partial<TuneChoice>) => void
  instruments: readonly Instrument[]
  /** How many tunes there are; not known yet while it is undefined. */
  found: number | undefined
  /** How far the work on how they fit the class has come. */
  working: { done: number; of: number } | null | undefined
  /** A class is chosen. */
  ofClass: boolean
}) {
  const keys = useTuneKeys().data ?? []
  return (
    <div className="mb-1 flex flex-wrap items-center gap-2 text-sm">
      <Select
        aria-label="Printed for"
        size="small"
        value={choice.instrument}
        options={[{ value: '', label: 'any instrument' }, ...instruments.map((i) => ({ value: i.id, label: i.name }))]}
        onChoose={(instrument) => onChoose({ instrument })}
      />
      <Select
        aria-label="In the key"
        size="small"
        value={choice.key}
        options={[{ value: '', label: 'any key' }, ...keys.map((k) => ({ value: k.key, label: k.name }))]}
        onChoose={(key) => onChoose({ key })}
      />
      <Select
        aria-label="Order"
        size="small"
        value={choice.order}
        options={ofClass ? CLASS_ORDERS : ORDERS}
        onChoose={(order) => onChoose({ order })}
      />
      {ofClass && (
        <Select
          aria-label="For the class"
          size="small"
          value={choice.reach}
          options={REACHES}
          onChoose={(reach) => onChoose({ reach })}
        />
      )}
      <output className="ml-auto text-soft" aria-live="polite">
        {working && `looked through ${inDigits(working.done)} of ${inDigits(working.of)} · `}
        {found !== undefined && `${inDigits(found)} ${found === 1 ? 'tune' : 'tunes'}`}
      </output>
    </div>
  )
}
