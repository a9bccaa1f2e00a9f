import { useSearchParams } from 'react-router'
import type { ScaleForm } from '../api/client'
import { FORMS } from './keys'

/** The key, form, instrument, position and comparison key, kept in the address so that a page can be shared. */
export function useKeyChoice() {
  const [search, setSearch] = useSearchParams()
  const number = (name: string, otherwise: number) => {
    const n = Number(search.get(name) ?? otherwise)
    return Number.isInteger(n) && n >= -7 && n <= 7 ? n : otherwise
  }
  const choice = {
    instrument: search.get('for') ?? 'violin',
    fifths: number('key', 0),
    form: FORMS.find((f) => f.value === search.get('form'))?.value ?? ('major' as ScaleForm),
    position: search.get('position') ?? 'I',
    compare: number('against', 2),
  }
  const set = (changed: Partial<typeof choice>) => {
    const next = { ...choice, ...changed }
    if (changed.instrument) next.position = 'I'
    setSearch(address(next), { replace: true })
  }
  return { choice, set, address: `?${new URLSearchParams(address(choice))}` }
}

const address = (c: { instrument: string; fifths: number; form: string; position: string; compare: number }) => ({
  for: c.instrument,
  key: String(c.fifths),
  form: c.form,
  position: c.position,
  against: String(c.compare),
})
