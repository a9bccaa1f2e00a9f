import type { Instrument, PartRequest, SheetPart } from '../api/client'
import { useKeyOptions } from '../api/keys'
import { useValueNames } from '../api/values'
import { TuneField } from '../tunes'
import { Button } from '../ui/Button'
import { Field, Input, Select } from '../ui/Field'
import { Refused } from '../ui/Said'
import { Tick } from '../ui/Tick'

const USUAL = 99
const METERS = ['4/4', '3/4', '2/4', '6/8']
const COUNTS = [4, 6, 8, 10, 12, 16, 20, 24, 32]

/** What one part of the sheet is asked to train; each change makes the part anew. */
export function PartSettings({
  part,
  instruments,
  busy,
  problem,
  onAsk,
  onClose,
}: {
  part: SheetPart
  instruments: readonly Instrument[]
  busy: boolean
  problem: string | null
  onAsk: (request: PartRequest) => void
  onClose: () => void
}) {
  const { request } = part
  const keys = useKeyOptions(request.key?.form ?? 'major')
  const names = useValueNames()
  const ask = (changed: Partial<PartRequest>) => onAsk({ ...request, ...changed })
  // Strings by their letters: those that all of the sheet’s instruments have.
  const letters = (instruments[0]?.strings ?? [])
    .map((s) => s.letter)
    .filter((l) => instruments.every((i) => i.strings.some((s) => s.letter === l)))
  const strings = request.strings ?? []
  const values = request.values ?? []
  const toggled = (all: readonly string[], one: string, on: boolean) =>
    on ? [...all, one] : all.filter((x) => x !== one)
  const { takesRhythm: rhythmic, takesOctaves: scales } = part
  return (
    <section aria-label={`Settings of ${part.name}`} className="mb-4 border-b border-line pb-4">
      <div className="mb-2 flex items-baseline justify-between gap-3">
        <h2 className="text-xl">{part.name}</h2>
        <Button size="small" onClick={onClose}>
          Done
        </Button>
      </div>
      {problem && <Refused>{problem}</Refused>}
      <div className="mt-2 flex flex-wrap items-center gap-x-5 gap-y-2">
        <Field label="Key" beside>
          <Select
            value={request.key?.fifths ?? USUAL}
            options={[{ value: USUAL, label: request.tuneId ? 'the tune’s' : 'the usual' }, ...keys]}
            onChoose={(fifths) =>
              ask({ key: fifths === USUAL ? null : { fifths, form: request.key?.form ?? 'major' } })
            }
          />
        </Field>
        <Field label={part.isPlayed ? 'Bars' : 'Questions'} beside>
          <Select
            value={request.count ?? USUAL}
            options={[{ value: USUAL, label: 'the usual' }, ...COUNTS.map((n) => ({ value: n, label: String(n) }))]}
            onChoose={(n) => ask({ count: n === USUAL ? null : n })}
          />
        </Field>
        {scales && (
          <Field label="Octaves" beside>
            <Select
              value={request.octaves}
              options={[
                { value: 1, label: 'one' },
                { value: 2, label: 'two' },
              ]}
              onChoose={(octaves) => ask({ octaves })}
            />
          </Field>
        )}
        <Field label="From" beside>
          <TuneField value={request.tuneId ?? null} onChoose={(tuneId) => ask({ tuneId })} />
        </Field>
        {(rhythmic || part.isPlayed) && (
          <Field label="Meter" beside>
            <Select
              value={request.meter ?? '4/4'}
              options={METERS.map((m) => ({ value: m, label: m }))}
              onChoose={(meter) => ask({ meter })}
            />
          </Field>
        )}
      </div>
      <fieldset className="mt-2 flex flex-wrap items-center gap-x-4 gap-y-1">
        <legend className="float-left mr-4 text-sm text-soft">Strings</legend>
        {letters.map((letter) => (
          <Tick
            key={letter}
            checked={strings.length === 0 || strings.includes(letter)}
            onChange={(on) => {
              const now = toggled(strings.length === 0 ? letters : strings, letter, on)
              ask({ strings: now.length === letters.length ? [] : now })
            }}
          >
            {letter}
          </Tick>
        ))}
      </fieldset>
      {(rhythmic || scales) && (
        <fieldset className="mt-2 flex flex-wrap items-center gap-x-4 gap-y-1">
          <legend className="float-left mr-4 text-sm text-soft">Values</legend>
          {names.map(({ value, name }) => (
            <Tick
              key={value}
              checked={values.includes(value)}
              onChange={(on) => ask({ values: toggled(values, value, on) })}
            >
              {name}
            </Tick>
          ))}
          {values.length === 0 && <span className="text-sm text-soft">none ticked: the usual</span>}
        </fieldset>
      )}
      {!part.isPlayed && !rhythmic && (
        <div className="mt-2 flex flex-wrap items-center gap-x-5 gap-y-2">
          <Range
            label="Lowest note"
            value={request.lowest ?? ''}
            onKeep={(lowest) => ask({ lowest: lowest || null })}
          />
          <Range
            label="Highest note"
            value={request.highest ?? ''}
            onKeep={(highest) => ask({ highest: highest || null })}
          />
        </div>
      )}
      <div className="mt-3 flex flex-wrap items-center gap-3">
        <Button kind="go" size="strip" disabled={busy} onClick={() => ask({ seed: nextSeed(request.seed) })}>
          Another like it
        </Button>
        <Field label="Seed" beside>
          <Input
            key={request.seed}
            size="strip"
            width="w-24"
            inputMode="numeric"
            aria-label="Seed"
            defaultValue={request.seed}
            onBlur={(e) => {
              const seed = Number(e.target.value)
              if (Number.isInteger(seed) && seed >= 0 && seed <= 2_000_000_000 && seed !== request.seed) ask({ seed })
            }}
          />
        </Field>
        <span className="text-sm text-soft">The same seed makes the same questions.</span>
      </div>
    </section>
  )
}

const nextSeed = (seed: number) => (seed >= 2_000_000_000 ? 1 : seed + 1)

function Range({ label, value, onKeep }: { label: string; value: string; onKeep: (note: string) => void }) {
  return (
    <Field label={label} beside>
      <Input
        key={value}
        size="strip"
        width="w-20"
        placeholder="D4"
        defaultValue={value}
        onBlur={(e) => e.target.value.trim() !== value && onKeep(e.target.value.trim())}
        onKeyDown={(e) => e.key === 'Enter' && e.currentTarget.blur()}
      />
    </Field>
  )
}
