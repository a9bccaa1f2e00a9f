import { useQuery } from '@tanstack/react-query'
import { useParams, useSearchParams } from 'react-router'
import { answer, api } from '../api/client'
import { useInstruments } from '../api/instruments'
import { PaperSheet } from '../ui/PaperSheet'
import { Asked } from '../ui/Asked'
import { Field, Select } from '../ui/Field'
import { InstrumentChoice } from '../ui/InstrumentChoice'
import { Screen } from '../ui/Screen'
import { Strip } from '../ui/Strip'
import { TextLink } from '../ui/TextLink'
import { Ladders } from './Ladders'
import { PrintEnd } from '../ui/PrintEnd'

const WIDTH_PX = 700
const STAFF_MM = 8
const COUNTS = [1, 2, 3, 4, 5, 6].map((n) => ({ value: n, label: `${n}` }))
const USUAL = 3

/** A tune’s trouble spots as ladders, as they are printed. */
export function LaddersPrint() {
  const id = Number(useParams().id)
  const [search, setSearch] = useSearchParams()
  const instruments = useInstruments().data ?? []
  const instrument = instruments.find((i) => i.id === search.get('for')) ?? instruments[0]
  const most = COUNTS.find((c) => `${c.value}` === search.get('most'))?.value ?? USUAL
  const asked = useQuery({
    queryKey: ['reading', 'ladders', id, instrument?.id, most],
    queryFn: () =>
      answer(
        api.GET('/api/tunes/{id}/ladders', {
          params: { path: { id }, query: { instrument: instrument?.id ?? '', most } },
        }),
      ),
    enabled: instrument !== undefined,
  })
  const set = (changed: Record<string, string>) =>
    setSearch({ for: instrument?.id ?? '', most: `${most}`, ...changed }, { replace: true })
  return (
    <Screen title={`${asked.data?.title ?? 'A tune'}: trouble spots`}>
      <Strip lead={<TextLink to={`/tunes/${id}?for=${instrument?.id ?? ''}`}>Back to the stand</TextLink>}>
        {instrument && (
          <InstrumentChoice instruments={instruments} value={instrument.id} onChange={(next) => set({ for: next })} />
        )}
        <Field label="Spots" beside>
          <Select value={most} options={COUNTS} onChoose={(n) => set({ most: `${n}` })} />
        </Field>
        <PrintEnd ready={asked.data !== undefined} />
      </Strip>
      <Asked of={asked}>
        {asked.data && (
          <PaperSheet widthPx={WIDTH_PX} testId="ladders">
            <h1 className="text-title">{asked.data.title}: trouble spots</h1>
            <p className="text-soft">
              For {asked.data.instrument.toLowerCase()}. A rung is climbed after {asked.data.cleanToClimb} clean times,
              slow first. Rest the hand between the rungs.
            </p>
            <Ladders of={asked.data} widthPx={WIDTH_PX} staffMm={STAFF_MM} />
          </PaperSheet>
        )}
      </Asked>
    </Screen>
  )
}
