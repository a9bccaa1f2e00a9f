import { useSearchParams } from 'react-router'
import { useInstruments } from '../api/instruments'
import type { ScaleForm } from '../api/client'

const FORMS: readonly ScaleForm[] = ['major', 'naturalMinor', 'harmonicMinor', 'melodicMinor']

/** The key, form, instrument, position and comparison key, kept in the address so that a page can be shared. */
export function useKeyChoice() {
  const [search, setSearch] = useSearchParams()
  const instruments = useInstruments().data
  const asked = search.get('for')
  const number = (name: string) => {
    const n = Number(search.get(name) ?? NaN)
    return Number.isInteger(n) && n >= -7 && n <= 7 ? n : null
  }
  const choice = {
    // One that there is not is as good as none.
    instrument: instruments?.find((i) => i.id === asked)?.id ?? instruments?.[0]?.id ?? '',
    fifths: number('key') ?? 0,
    form: FORMS.find((f) => f === search.get('form')) ?? 'major',
    /** Null: the position that suits the key best. */
    position: search.get('position'),
    /** Null: the house style's first key. */
    compare: number('against'),
  }
  const set = (changed: Partial<typeof choice>) => {
    const next = { ...choice, ...changed }
    if (changed.instrument) next.position = null
    setSearch(address(next), { replace: true })
  }
  return { choice, set, address: `?${new URLSearchParams(address(choice))}` }
}

const address = (c: {
  instrument: string
  fifths: number
  form: string
  position: string | null
  compare: number | null
}) => ({
  for: c.instrument,
  key: String(c.fifths),
  form: c.form,
  ...(c.position === null ? {} : { position: c.position }),
  ...(c.compare === null ? {} : { against: String(c.compare) }),
})
