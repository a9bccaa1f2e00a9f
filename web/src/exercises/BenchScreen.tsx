import { useEffect, useState } from 'react'
import { useParams, useSearchParams } from 'react-router'
import { useInstruments } from '../api/instruments'
import { ALL_TUNES, useTune, useTunes } from '../tunes'
import { Button } from '../ui/Button'
import { keep } from '../offline/kept'
import { Refused } from '../ui/Said'
import { Screen } from '../ui/Screen'
import { BenchTable } from './BenchTable'
import { DRAFT } from './useBench'
import { useOpenBench } from './useOpenBench'

/** The exercise bench: what to train at the left, the sheet as it will be printed at the right. */
export function BenchScreen() {
  const { id } = useParams()
  const [address, setAddress] = useSearchParams()
  // A first sheet is made once: whoever comes back or loads anew finds it as it was left.
  const [search] = useState(address)
  const tune = Number(search.get('first') ?? NaN)
  const instruments = useInstruments().data ?? []
  const tunes = useTunes(ALL_TUNES).data
  const asked = useTune(Number.isInteger(tune) ? tune : null)
  const title = asked.data?.summary.title
  const first =
    Number.isInteger(tune) && title !== undefined
      ? { tune, instrument: search.get('for') ?? instruments[0]?.id ?? '', title }
      : null
  const opened = useOpenBench(id ? Number(id) : null, first)
  const waits = Number.isInteger(tune) && !first && asked.isPending
  const made = opened.data !== undefined && first !== null
  useEffect(() => {
    if (made && address.size > 0) setAddress({}, { replace: true })
  }, [made, address, setAddress])
  return (
    <Screen title="Exercises" className="flex min-h-0 flex-1 flex-col">
      {!opened.data && <h1 className="sr-only">Exercises</h1>}
      {opened.error && (
        <div className="m-6 flex flex-col items-start gap-3">
          <Refused>{opened.error.message}</Refused>
          <Button onClick={() => void opened.refetch()}>Try again</Button>
          {!id && !first && (
            <Button
              onClick={() => {
                keep(DRAFT, null)
                void opened.refetch()
              }}
            >
              Begin a new sheet
            </Button>
          )}
        </div>
      )}
      {opened.data && !waits && instruments.length > 0 && (
        <BenchTable
          key={`${id ?? ''} ${first?.tune ?? ''}`}
          {...opened.data}
          instruments={instruments}
          aTune={tunes?.tunes[0]}
        />
      )}
    </Screen>
  )
}
