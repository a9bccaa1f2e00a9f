import { useMemo } from 'react'
import { useSearchParams } from 'react-router'
import type { TuneOrder } from '../api/client'
import { ALL_TUNES, type TuneChoice } from './queries'

/** Under which names the address keeps what is chosen. */
const NAMES: Record<keyof TuneChoice, string> = {
  search: 'q',
  order: 'order',
  instrument: 'for',
  key: 'key',
  reach: 'reach',
}

export const ORDERS: readonly { value: TuneOrder; label: string }[] = [
  { value: 'title', label: 'by title' },
  { value: 'added', label: 'last added' },
  { value: 'changed', label: 'last changed' },
  { value: 'shortest', label: 'shortest first' },
  { value: 'key', label: 'by key' },
]

/** For a class there is one order more. */
export const CLASS_ORDERS: typeof ORDERS = [...ORDERS, { value: 'hard', label: 'easiest for the class' }]

export const REACHES: readonly { value: TuneChoice['reach']; label: string }[] = [
  { value: '', label: 'new or known' },
  { value: 'known', label: 'nothing new' },
  { value: 'next', label: 'within reach next' },
  { value: 'later', label: 'three to five new things' },
  { value: 'far', label: 'far away' },
]

/** Some tunes are left away. */
export const isNarrowed = ({ search, instrument, key, reach }: TuneChoice) =>
  search !== '' || instrument !== '' || key !== '' || reach !== ''

/** Which tunes are listed, and how; it is part of the address. */
export function useTuneChoice() {
  const [address, setAddress] = useSearchParams()
  const choice = useMemo((): TuneChoice => {
    const order = address.get(NAMES.order)
    return {
      search: address.get(NAMES.search) ?? '',
      order: CLASS_ORDERS.find((o) => o.value === order)?.value ?? ALL_TUNES.order,
      instrument: address.get(NAMES.instrument) ?? '',
      key: address.get(NAMES.key) ?? '',
      reach: REACHES.find((r) => r.value === address.get(NAMES.reach))?.value ?? '',
    }
  }, [address])
  const choose = (changed: Partial<TuneChoice>) => {
    const next = { ...choice, ...changed }
    const kept = (Object.keys(NAMES) as (keyof TuneChoice)[]).filter((name) => next[name] !== ALL_TUNES[name])
    setAddress(Object.fromEntries(kept.map((name) => [NAMES[name], next[name]])), { replace: true })
  }
  return { choice, choose }
}
