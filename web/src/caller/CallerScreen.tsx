import { useMemo } from 'react'
import { useParams, useSearchParams } from 'react-router'
import type { Reading, Together } from '../api/client'
import { useReading } from '../walk/queries'
import { useTogether } from '../together'
import { ALL } from '../ui/InstrumentChoice'
import { Mishap } from '../ui/Mishap'
import { Screen } from '../ui/Screen'
import { TextLink } from '../ui/TextLink'
import { CallerBoard } from './CallerBoard'
import { CallerBar } from './CallerBar'
import { useCaller, type Asked } from './useCaller'
import { useCallerKeys } from './useCallerKeys'

/** The caller: large letters for the back of the room, stepped by tap, key or metronome. */
export function CallerScreen() {
  const id = Number(useParams().id)
  const together = useTogether(id, useSearchParams()[0].get('sections') ?? '')
  const reading = useReading(id, together.data?.lead ?? '')
  const error = together.error ?? reading.error
  if (error && !(together.data && reading.data))
    return (
      <Screen title="Caller" className="flex min-h-dvh">
        <Mishap
          title="The tune cannot be called"
          why={error.message}
          source={undefined}
          onAgain={() => void Promise.all([together.refetch(), together.data ? reading.refetch() : null])}
        />
      </Screen>
    )
  if (!together.data || !reading.data)
    return (
      <Screen title="Caller">
        <p role="status" className="p-8">
          The tune is being read …
        </p>
      </Screen>
    )
  return <OneCaller key={id} together={together.data} reading={reading.data} />
}

function useAsked(): Asked {
  const [search] = useSearchParams()
  const bars = search.get('bars')
  const tempo = Number(search.get('tempo'))
  return useMemo(() => {
    const [first, end] = (bars ?? '').split('-').map(Number)
    return {
      // Orders of bars from 0; the end is the bar after the last.
      bars: first !== undefined && end !== undefined && first >= 0 && end > first ? { first, end } : null,
      tempo: tempo > 0 ? tempo : null,
    }
  }, [bars, tempo])
}

function OneCaller({ together, reading }: { together: Together; reading: Reading }) {
  const caller = useCaller(together, reading, useAsked())
  useCallerKeys(caller, together)
  return (
    <Screen title={`Caller: ${together.title}`} className="flex h-dvh flex-col overflow-hidden bg-paper">
      <h1 className="sr-only">Caller: {together.title}</h1>
      <div className="absolute top-1 right-2 z-10 text-sm">
        <TextLink to={`/tunes/${together.tuneId}?for=${ALL}`}>Back to the stand</TextLink>
      </div>
      <CallerBoard caller={caller} together={together} />
      <CallerBar caller={caller} together={together} />
    </Screen>
  )
}
