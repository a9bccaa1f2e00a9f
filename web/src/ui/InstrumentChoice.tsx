import type { Instrument } from '../api/client'
import { Choice } from './Choice'
import { Select } from './Field'
import { useSmall } from './useSmall'

/** The instruments, of which one is taken; a list to open where there is little room. */
export function InstrumentChoice({
  instruments,
  value,
  onChange,
  keys = false,
}: {
  instruments: readonly Instrument[]
  value: string
  onChange: (id: string) => void
  /** Shows the keys that take them. */
  keys?: boolean
}) {
  const small = useSmall()
  const options = instruments.map((i, n) => ({ value: i.id, label: i.name, ...(keys && { key: String(n + 1) }) }))
  return small ? (
    <Select size="bar" aria-label="Instrument" value={value} options={options} onChoose={onChange} />
  ) : (
    <Choice label="Instrument" hideLabel value={value} options={options} onChange={onChange} />
  )
}
