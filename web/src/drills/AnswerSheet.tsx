import { useQuery } from '@tanstack/react-query'
import { useNavigate, useSearchParams } from 'react-router'
import { useInstruments } from '../api/instruments'
import { useOpenBench } from '../exercises'
import { Button } from '../ui/Button'
import { Choice } from '../ui/Choice'
import { Refused } from '../ui/Said'
import { Screen } from '../ui/Screen'
import { Strip } from '../ui/Strip'
import { TextLink } from '../ui/TextLink'
import { fingerprint } from './fingerprint'
import { openDrill } from './queries'
import { Round } from './Round'

/** The sheet on the bench, answered on the screen by one of its instruments. */
export function AnswerSheet() {
  const navigate = useNavigate()
  const [search, setSearch] = useSearchParams()
  const bench = useOpenBench(null, null)
  const instruments = useInstruments().data ?? []
  const sheet = bench.data?.opened
  const wanted = instruments.filter((i) => sheet?.instruments.includes(i.id))
  const instrument = wanted.find((i) => i.id === search.get('for')) ?? wanted[0]
  const parts = sheet?.parts.filter((p) => !p.isPlayed) ?? []
  const asked = parts.flatMap((part) =>
    part.items.flatMap((item) => {
      const question = instrument && item.each[instrument.id]?.question
      return question === undefined ? [] : [{ kind: part.request.kind, question }]
    }),
  )
  const text = JSON.stringify(asked)
  const drill = useQuery({
    queryKey: ['drill', instrument?.id, text],
    queryFn: () => openDrill(instrument?.id ?? '', sheet?.heading || 'Exercises', asked),
    enabled: instrument !== undefined && asked.length > 0,
    staleTime: Infinity,
  })
  const back = <TextLink to="/exercises">Back to the bench</TextLink>
  const error = bench.error ?? drill.error
  return (
    <Screen title="Answer the sheet" className="flex min-h-0 flex-1 flex-col">
      {sheet && drill.data && instrument ? (
        <Round
          key={`${instrument.id} ${text}`}
          name={`sheet.${instrument.id}`}
          of={`${instrument.id} ${fingerprint(text)}`}
          view={drill.data}
          instrument={instrument}
          lead={
            <>
              {back}
              {wanted.length > 1 && (
                <Choice
                  label="For"
                  value={instrument.id}
                  options={wanted.map((i) => ({ value: i.id, label: i.name }))}
                  onChange={(id) => setSearch({ for: id }, { replace: true })}
                />
              )}
            </>
          }
          ways={(again) => (
            <>
              <Button kind="go" onClick={again}>
                The same sheet again
              </Button>
              <Button onClick={() => void navigate('/exercises')}>Back to the bench</Button>
            </>
          )}
        />
      ) : (
        <>
          <Strip lead={back} />
          <div className="flex flex-col items-start gap-4 p-6">
            <h1 className="text-title">Answer on the screen</h1>
            {error && <Refused>{error.message}</Refused>}
            {sheet && asked.length === 0 && (
              <p className="max-w-prose">
                {sheet.parts.length === 0
                  ? 'The bench is empty. Put questions on it first: notes to name, places to find, rhythms to count.'
                  : 'This sheet is music to play: open it on the stand. Questions can be answered here.'}
              </p>
            )}
          </div>
        </>
      )}
    </Screen>
  )
}
