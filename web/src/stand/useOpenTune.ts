import { useEffect } from 'react'
import { useParams, useSearchParams } from 'react-router'
import { useInstruments } from '../api/instruments'
import { useTune } from '../tunes'
import { ALL } from '../ui/InstrumentChoice'
import { useStable } from '../ui/useStable'
import { usePrefetchReading, useReading } from '../walk/queries'

/** The tune and the instrument that the address names, and how that instrument reads it. */
export function useOpenTune() {
  const id = Number(useParams().id)
  const [search, setSearch] = useSearchParams()
  const tune = useTune(id)
  const known = useInstruments()
  const instruments = known.data ?? NONE
  const inAddress = search.get('for')
  const asked = inAddress === ALL ? null : inAddress
  // An address with no instrument, or with one that there is not, shows the one that the tune is printed for.
  const isOne = asked !== null && (!known.data || instruments.some((i) => i.id === asked))
  const instrument = isOne ? asked : (tune.data?.summary.printedFor ?? '')
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
  const shown = reading.data
  return {
    id,
    tune: tune.data,
    instruments,
    instrument,
    reading: instrument ? shown : undefined,
    /** Why nothing can be shown; what is shown already stays, though it could not be asked for anew. */
    error: tune.data ? (shown ? null : (reading.error ?? known.error)) : (tune.error ?? known.error),
    again: () => void Promise.all([tune.refetch(), known.refetch(), instrument ? reading.refetch() : null]),
    playOn,
  }
}

const NONE: readonly [] = []
