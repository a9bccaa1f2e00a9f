import { useEffect } from 'react'
import { useParams, useSearchParams } from 'react-router'
import { useInstruments } from '../api/instruments'
import { useTune } from '../tunes/queries'
import { useStable } from '../ui/useStable'
import { usePrefetchReading, useReading } from './queries'

/** The tune and the instrument that the address names, and how that instrument reads it. */
export function useOpenTune() {
  const id = Number(useParams().id)
  const [search, setSearch] = useSearchParams()
  const tune = useTune(id)
  const instruments = useInstruments().data ?? NONE
  const instrument = search.get('for') ?? tune.data?.summary.printedFor ?? ''
  const reading = useReading(id, instrument)
  const prefetch = usePrefetchReading()
  const isRead = reading.data !== undefined
  useEffect(() => {
    // Not before this one is here: what one looks at comes first.
    if (isRead) for (const other of instruments) void prefetch(id, other.id)
    // Prefetching once for each tune is enough.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [id, instruments, isRead])
  /** Shows it for another instrument. */
  const playOn = useStable((name: string) => setSearch({ for: name }, { replace: true }))
  return {
    id,
    tune: tune.data,
    instruments,
    instrument,
    reading: instrument ? reading.data : undefined,
    error: tune.error ?? reading.error,
    playOn,
  }
}

const NONE: readonly [] = []
