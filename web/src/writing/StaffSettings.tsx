import { useState } from 'react'
import { Field, Select } from '../ui/Field'
import { Tick } from '../ui/Tick'
import type { Writing } from './useWriting'

const METERS = ['4/4', '3/4', '2/4', '6/8', 'C', 'C|', '2/2', '3/8', '9/8', '12/8', '5/4', 'none'] as const
const METER_WORDS: Partial<Record<string, string>> = { C: 'C (4/4)', 'C|': 'cut C (2/2)', none: 'free' }
const KEYS = [-7, -6, -5, -4, -3, -2, -1, 0, 1, 2, 3, 4, 5, 6, 7].map((fifths) => ({
  value: fifths,
  label:
    fifths === 0
      ? 'no sharps or flats'
      : `${Math.abs(fifths)} ${fifths > 0 ? 'sharp' : 'flat'}${Math.abs(fifths) > 1 ? 's' : ''}`,
}))

/** How many beats of the lower number a pick-up has. */
const beatsOf = (pickUp: string | null, meter: string) => {
  const [above = 0, below = 4] = (pickUp ?? '0/4').split('/').map(Number)
  const unit = Number(/\/(\d+)$/.exec(meter)?.[1] ?? (meter === 'C|' ? 2 : 4))
  return Math.round((above * unit) / below)
}

/** Clef, key, meter and pick-up of what is written; they may change at any time. */
export function StaffSettings({ writing }: { writing: Writing }) {
  const [atPlace, setAtPlace] = useState(false)
  const { view, step } = writing
  const beats = Number(/^(\d+)\//.exec(view.meter)?.[1] ?? (view.meter === 'none' ? 1 : view.meter === 'C|' ? 2 : 4))
  const meters = METERS.some((m) => m === view.meter) ? METERS : [view.meter, ...METERS]
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
      <Field label="Clef" beside>
        <Select
          size="small"
          value={view.clef}
          options={view.clefs.map((c) => ({ value: c, label: c }))}
          onChoose={(text) => void step({ do: 'clef', text, select: atPlace })}
        />
      </Field>
      <Field label="Key" beside>
        <Select
          size="small"
          value={view.fifths}
          options={KEYS}
          onChoose={(by) => void step({ do: 'key', by, select: atPlace })}
        />
      </Field>
      <Field label="Meter" beside>
        <Select
          size="small"
          value={view.meter}
          options={meters.map((m) => ({ value: m, label: METER_WORDS[m] ?? m }))}
          onChoose={(text) => void step({ do: 'meter', text })}
        />
      </Field>
      <Field label="Pick-up" beside>
        <Select
          size="small"
          value={beatsOf(view.state.pickUp, view.meter)}
          options={Array.from({ length: beats }, (_, n) => ({
            value: n,
            label: n === 0 ? 'none' : `${n} ${n === 1 ? 'beat' : 'beats'}`,
          }))}
          onChoose={(by) => void step({ do: 'pickUp', by })}
        />
      </Field>
      <span className="text-sm">
        <Tick checked={atPlace} onChange={setAtPlace}>
          Another clef or key keeps the lines and spaces
        </Tick>
      </span>
    </div>
  )
}
