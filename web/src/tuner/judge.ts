import type { components } from '../api/schema'
import { centsFrom, frequencyOf, HALF_STEP_CENTS, type Heard } from './pitch'

export type Tuning = components['schemas']['TuningView']
export type TuningInstrument = components['schemas']['TuningInstrumentView']

/** What is listened for: the open string, or wherever a finger stands on it. */
export type Asked = { instrument: TuningInstrument; string: number; place: boolean; a4: number }

const OCTAVE = 12

/** What is said of what was heard, and whether it is right. The words are the server’s; the sound stays here. */
export function judge(heard: Heard, { instrument, string, place, a4 }: Asked, tuning: Tuning) {
  const asked = instrument.strings[string]
  if (!asked) return { words: '', right: false }
  if (heard.kind === 'silence') return { words: asked.silence, right: false }
  if (heard.kind === 'noise') return { words: tuning.noise, right: false }
  const cents = centsFrom(heard.hz, frequencyOf(asked.midi, a4))
  return place ? ofPlace(cents, asked, tuning) : ofString(cents, heard.hz, { instrument, string, a4 }, tuning)
}

type String = TuningInstrument['strings'][number]

/** Where the finger stands, by the tapes, and which way to go. */
function ofPlace(cents: number, asked: String, { inTuneCents }: Tuning) {
  const semitones = Math.round(cents / HALF_STEP_CENTS)
  const off = cents - semitones * HALF_STEP_CENTS
  const at = asked.places[semitones]
  if (!at) return { words: semitones < 0 ? asked.below : asked.above, right: false }
  const right = Math.abs(off) <= inTuneCents
  return { words: right ? at.inTune : off < 0 ? at.low : at.high, right }
}

function ofString(
  cents: number,
  hz: number,
  { instrument, string, a4 }: Omit<Asked, 'place'>,
  { inTuneCents, stringCents }: Tuning,
) {
  const asked = instrument.strings[string]
  if (!asked) return { words: '', right: false }
  const off = Math.abs(cents)
  if (off <= inTuneCents) return { words: asked.inTune, right: true }
  if (off <= stringCents) {
    const little = off <= stringCents / 2
    return {
      words: cents < 0 ? (little ? asked.low : asked.farLow) : little ? asked.high : asked.farHigh,
      right: false,
    }
  }
  const other = instrument.strings.findIndex(
    (s, i) => i !== string && Math.abs(centsFrom(hz, frequencyOf(s.midi, a4))) <= stringCents / 2,
  )
  if (other >= 0) return { words: asked.wrongString[other] ?? '', right: false }
  for (const [octaves, words] of [
    [1, asked.octaveHigh],
    [-1, asked.octaveLow],
  ] as const)
    if (Math.abs(cents - octaves * OCTAVE * HALF_STEP_CENTS) <= stringCents / 2) return { words, right: false }
  return { words: cents < 0 ? asked.below : ofPlace(cents, asked, { inTuneCents } as Tuning).words, right: false }
}
