import { Ear, Square, Volume2 } from 'lucide-react'
import { useState } from 'react'
import { VolumeSlider } from '../hear/Sliders'
import { Asked } from '../ui/Asked'
import { Button } from '../ui/Button'
import { Choice } from '../ui/Choice'
import { Field, Select } from '../ui/Field'
import { Figure } from '../ui/Figure'
import { useKept } from '../offline/kept'
import { Page } from '../ui/Page'
import { judge, type Tuning } from './judge'
import { frequencyOf, USUAL_A4 } from './pitch'
import { useTuning } from './queries'
import { SIMULATED } from './simulated'
import { useListening, type Source } from './useListening'
import { useReference } from './useReference'

const A4 = { least: 415, most: 466 }

const SOURCES: { value: Source; label: string }[] = [
  { value: 'microphone', label: 'the microphone' },
  ...SIMULATED.map((s) => ({ value: s.kind, label: `a player who plays ${s.label}` })),
]
const WHAT = [
  { value: 'string', label: 'Tune the string' },
  { value: 'place', label: 'Where is my finger?' },
] as const

/** Tuning: the order for the class, a tone for each string, and an ear that says which way to turn. */
export function TuningScreen() {
  const asked = useTuning()
  return (
    <Page title="Tuning">
      <Asked of={asked}>{asked.data && <OneTuning tuning={asked.data} />}</Asked>
    </Page>
  )
}

function OneTuning({ tuning }: { tuning: Tuning }) {
  const [keptA4, keepA4] = useKept<number>('a4')
  const a4 = keptA4 ?? USUAL_A4
  const [chosen, setChosen] = useState({ instrument: tuning.instruments[0]?.instrument ?? '', string: -1 })
  const instrument = tuning.instruments.find((i) => i.instrument === chosen.instrument) ?? tuning.instruments[0]
  const reference = useReference(a4)
  // The A first, where there is one.
  const first = Math.max(0, instrument?.strings.findIndex((s) => s.midi % 12 === 9) ?? 0)
  const string = chosen.string < 0 ? first : Math.min(chosen.string, (instrument?.strings.length ?? 1) - 1)
  if (!instrument) return null
  const choose = (next: number) => {
    setChosen({ instrument: instrument.instrument, string: next })
    if (reference.held !== null) reference.hold(instrument.strings[next]?.midi ?? null)
  }
  const now = instrument.strings[string]
  return (
    <>
      <Order tuning={tuning} />
      <div className="mt-5 flex flex-wrap items-center gap-x-5 gap-y-2 border-t border-line pt-4">
        <Choice
          label="Instrument"
          hideLabel
          value={instrument.instrument}
          options={tuning.instruments.map((i) => ({ value: i.instrument, label: i.name }))}
          onChange={(next) => {
            reference.hold(null)
            setChosen({ instrument: next, string: -1 })
          }}
        />
        <Field label="A =" beside>
          <Figure
            label="Frequency of A, in hertz"
            size="small"
            width="w-20"
            least={A4.least}
            most={A4.most}
            emptied={USUAL_A4}
            value={a4}
            onChange={keepA4}
          />
          Hz
        </Field>
      </div>
      <div className="mt-3 flex flex-wrap gap-3" role="group" aria-label="Strings">
        {[...instrument.strings].reverse().map((s) => (
          <button
            key={s.index}
            type="button"
            aria-pressed={s.index === string}
            onClick={() => choose(s.index)}
            className="min-h-16 min-w-24 rounded-md border border-line-dark bg-sheet px-4 font-head text-4xl font-semibold hover:bg-maple-pale aria-pressed:border-maple aria-pressed:bg-maple-pale"
          >
            {s.name}
            <span className="block font-body text-sm font-normal text-soft">
              {frequencyOf(s.midi, a4).toFixed(1)} Hz
            </span>
          </button>
        ))}
      </div>
      <div className="mt-4 flex flex-wrap items-center gap-4">
        <Button kind="go" onClick={() => reference.hold(reference.held === null ? (now?.midi ?? null) : null)}>
          {reference.held === null ? <Volume2 size={18} /> : <Square size={18} />}
          {reference.held === null ? `Hold the ${now?.name}` : 'End the tone'}
        </Button>
        <VolumeSlider value={reference.volume} onChange={reference.setVolume} />
        <p className="text-sm text-soft">Comfortable for every ear in the room.</p>
      </div>
      <Listening key={instrument.instrument} tuning={tuning} instrument={instrument} string={string} a4={a4} />
    </>
  )
}

function Order({ tuning }: { tuning: Tuning }) {
  return (
    <ol aria-label="Order" className="mt-2 flex flex-wrap gap-x-6 gap-y-1">
      {tuning.order.map((t, i) => (
        <li key={`${t.name}-${t.who}`} className="flex items-baseline gap-1.5">
          <span className="text-sm text-soft">{i + 1}.</span>
          <b className="font-head text-xl">{t.name}</b>
          <span className="text-sm text-soft">
            {t.who}
            {t.byTheirOwn && ', by their own'}
          </span>
        </li>
      ))}
    </ol>
  )
}

function Listening({
  tuning,
  instrument,
  string,
  a4,
}: {
  tuning: Tuning
  instrument: Tuning['instruments'][number]
  string: number
  a4: number
}) {
  const [source, setSource] = useState<Source>('microphone')
  const [what, setWhat] = useState<(typeof WHAT)[number]['value']>('string')
  const ear = useListening(source, { strings: instrument.strings.map((s) => s.midi), string, a4 })
  const said = ear.heard && judge(ear.heard, { instrument, string, place: what === 'place', a4 }, tuning)
  return (
    <section className="mt-6 border-t border-line pt-4">
      <h2 className="text-lg">Listen</h2>
      <div className="mt-2 flex flex-wrap items-center gap-4">
        <Button kind={ear.on ? 'plain' : 'go'} onClick={ear.toggle}>
          {ear.on ? <Square size={18} /> : <Ear size={18} />}
          {ear.on ? 'Stop listening' : 'Listen to me'}
        </Button>
        <Choice label="What" hideLabel value={what} options={WHAT} onChange={setWhat} />
        <Field label="to" beside>
          <Select size="small" value={source} options={SOURCES} onChoose={setSource} />
        </Field>
      </div>
      <p
        aria-live="polite"
        data-testid="heard"
        className={`mt-4 min-h-16 font-head text-3xl font-semibold ${said?.right ? 'text-spruce' : ''}`}
      >
        {said?.words ?? (ear.problem ? '' : 'Nobody is listening.')}
      </p>
      {ear.problem && <p className="text-brick">{ear.problem}</p>}
      <p className="text-sm text-soft">
        What is heard stays on this machine and is kept nowhere. Turn slowly, the fine tuners before the pegs, and keep
        the strings away from the eyes: one that is turned far may break.
      </p>
    </section>
  )
}
