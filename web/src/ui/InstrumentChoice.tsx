import type { Instrument } from '../api/client'
import { Choice } from './Choice'
import { Select } from './Field'
import { useSmall } from './useSmall'

/** In place of an instrument: all of them. */
export const ALL = 'all'

/** The instruments, of which one is taken; a list to open where there is little room. */
export function InstrumentChoice({
  instruments,
  value,
  onChange,
  keys = false,
  all = false,
}: {
  instruments: readonly Instrument[]
  value: string
  onChange: (id: string) => void
  /** Shows the keys that take them. */
  keys?: boolean
  /** Offers all of them together as well, as ALL. */
  all?: boolean
}) {
  const small = useSmall()
  const each = instruments.map(({ id, name }) => ({ value: id, label: name }))
  const options = (all && each.length > 0 ? [...each, { value: ALL, label: 'All' }] : each).map((o, n) => ({
    ...o,
    ...(keys && { key: String(n + 1) }),
  }))
  return small ? (
    <Select size="bar" aria-label="Instrument" value={value} options={options} onChoose={onChange} />
  ) : (
    <Choice label="Instrument" hideLabel value={value} options={options} onChange={onChange} />
  )
}
