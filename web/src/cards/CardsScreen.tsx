import { useSearchParams } from 'react-router'
import type { CardKind, CardStage, Instrument } from '../api/client'
import { useInstruments } from '../api/instruments'
import { useKeyOptions } from '../api/keys'
import { Round } from '../drills'
import { Button } from '../ui/Button'
import { Choice } from '../ui/Choice'
import { Field, Select } from '../ui/Field'
import { InstrumentChoice } from '../ui/InstrumentChoice'
import { useKept } from '../offline/kept'
import { Refused } from '../ui/Said'
import { PAGE_EDGE, PageHead } from '../ui/Page'
import { Screen } from '../ui/Screen'
import { TextButton } from '../ui/TextLink'
import { useKeys } from '../ui/useKeys'
import { useCardChoices, useDeal, type Deal } from './queries'

type Chosen = Omit<Deal, 'seed'>

const ABOUT: Record<CardKind, string> = {
  noteToName: 'A note on the staff: say its name.',
  noteToPair: 'A note on the staff: which string, which finger?',
  pairToNote: 'A string and a finger: put the note on the staff.',
  nameToPlace: 'A name: press it on the fingerboard.',
}

const LARGEST_SEED = 2_000_000_000

/** Cards: rounds of twelve, from one string’s notes in order to all strings mixed. Nothing is recorded. */
export function CardsScreen() {
  const players = useInstruments()
  const instruments = players.data ?? []
  const asked = useCardChoices()
  const choices = asked.data
  const [search, setSearch] = useSearchParams()
  const [kept, keep] = useKept<Partial<Chosen>>('cards')
  const instrument = instruments.find((i) => i.id === kept?.instrument) ?? instruments[0]
  const chosen: Chosen | null =
    instrument && choices
      ? {
          instrument: instrument.id,
          card: kept?.card ?? 'noteToName',
          stage: kept?.stage ?? 'inOrder',
          string: Math.min(kept?.string ?? 1, instrument.strings.length - 1),
          fifths: kept?.fifths ?? choices.firstKey,
        }
      : null
  const seed = Number(search.get('round'))
  const deal = chosen && Number.isInteger(seed) && seed > 0 ? { ...chosen, seed } : null
  const dealt = useDeal(deal)
  const start = () => setSearch({ round: String(1 + Math.floor(Math.random() * LARGEST_SEED)) })
  const leave = () => setSearch({})
  const stages = choices?.stages ?? []
  const next = stages[stages.findIndex((s) => s.value === chosen?.stage) + 1]
  return (
    <Screen title="Cards" className="flex min-h-0 flex-1 flex-col">
      {deal && dealt.data && instrument ? (
        <Round
          key={JSON.stringify(deal)}
          name="cards"
          of={JSON.stringify(deal)}
          view={dealt.data}
          instrument={instrument}
          lead={<TextButton onClick={leave}>Other cards</TextButton>}
          ways={() => (
            <>
              <Button kind="go" onClick={start}>
                Another round
              </Button>
              {next && (
                <Button
                  onClick={() => {
                    keep({ ...chosen, stage: next.value as CardStage })
                    start()
                  }}
                >
                  Go on to {next.label}
                </Button>
              )}
              <Button onClick={leave}>Other cards</Button>
            </>
          )}
        />
      ) : chosen && instrument && choices ? (
        <Setup
          chosen={chosen}
          instrument={instrument}
          instruments={instruments}
          choices={choices}
          problem={dealt.error?.message ?? null}
          onChoose={(changed) => {
            keep({ ...chosen, ...changed })
            leave()
          }}
          onStart={start}
        />
      ) : (
        <div className={PAGE_EDGE}>
          <PageHead title="Cards" />
        </div>
      )}
    </Screen>
  )
}

/** What the next round is about. */
function Setup({
  chosen,
  instrument,
  instruments,
  choices,
  problem,
  onChoose,
  onStart,
}: {
  chosen: Chosen
  instrument: Instrument
  instruments: readonly Instrument[]
  choices: NonNullable<ReturnType<typeof useCardChoices>['data']>
  problem: string | null
  onChoose: (changed: Partial<Chosen>) => void
  onStart: () => void
}) {
  const keys = useKeyOptions('major')
  useKeys(Object.fromEntries(instruments.map((i, n) => [String(n + 1), () => onChoose({ instrument: i.id })])))
  const last = instrument.strings.length - 1
  const two = chosen.stage === 'twoStrings'
  const strings = instrument.strings
    .filter((s) => !two || s.index < last)
    .map((s) => ({
      value: s.index,
      label: two ? `${s.name} and ${instrument.strings[s.index + 1]?.name ?? ''}` : s.name,
    }))
  return (
    <div className="min-h-0 flex-1 overflow-y-auto">
      <div className={`pb-6 ${PAGE_EDGE}`}>
        <PageHead
          title="Cards"
          subtitle="Twelve cards, about two minutes. Begin with one string in order, then mix. Nothing is recorded here."
        />
        <div className="flex max-w-3xl flex-col gap-6 max-md:gap-4">
          <InstrumentChoice
            instruments={instruments}
            value={instrument.id}
            onChange={(id) => onChoose({ instrument: id })}
          />
          <section aria-labelledby="which" className="flex flex-col items-start gap-2">
            <h2 id="which" className="text-xl">
              Which cards?
            </h2>
            <Choice
              label="Which cards?"
              hideLabel
              value={chosen.card}
              options={choices.cards.map((c) => ({ value: c.value as CardKind, label: c.label }))}
              onChange={(card) => onChoose({ card })}
            />
            <p className="text-soft">{ABOUT[chosen.card]}</p>
          </section>
          <div className="flex flex-col gap-3">
            <Choice
              label="How far"
              value={chosen.stage}
              options={choices.stages.map((s) => ({ value: s.value as CardStage, label: s.label }))}
              onChange={(stage) =>
                onChoose({ stage, string: Math.min(chosen.string, stage === 'twoStrings' ? last - 1 : last) })
              }
            />
            <div className="flex flex-wrap items-center gap-x-6 gap-y-3">
              {chosen.stage !== 'allStrings' && (
                <Choice
                  label={two ? 'Strings' : 'String'}
                  value={chosen.string}
                  options={strings}
                  onChange={(string) => onChoose({ string })}
                />
              )}
              <Field label="Key" beside>
                <Select value={chosen.fifths} options={keys} onChoose={(fifths) => onChoose({ fifths })} />
              </Field>
            </div>
          </div>
          {problem && <Refused>{problem}</Refused>}
          <div>
            <Button kind="go" onClick={onStart}>
              Deal twelve cards
            </Button>
          </div>
        </div>
      </div>
    </div>
  )
}
