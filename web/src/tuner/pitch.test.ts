import { expect, test } from 'vitest'
import { judge, type Tuning, type TuningInstrument } from './judge'
import { centsFrom, FRAME, frequencyOf, listenTo, middle } from './pitch'
import { simulated, SIMULATED, tone, type SimulatedKind } from './simulated'

const RATES = [44_100, 48_000]

/** Equal temperament on A4 = 440 Hz (ISO 16); the figures of published tables, to a hundredth of a hertz. */
const PUBLISHED: [name: string, midi: number, hz: number][] = [
  ['E1', 28, 41.2],
  ['A1', 33, 55],
  ['C2', 36, 65.41],
  ['D2', 38, 73.42],
  ['G2', 43, 98],
  ['D3', 50, 146.83],
  ['A3', 57, 220],
  ['C3', 48, 130.81],
  ['G3', 55, 196],
  ['D4', 62, 293.66],
  ['A4', 69, 440],
  ['E5', 76, 659.26],
  ['B5', 83, 987.77],
]

test.each(PUBLISHED)('%s has its published frequency', (_, midi, hz) => {
  expect(Math.abs(frequencyOf(midi, 440) - hz)).toBeLessThan(0.006)
  // Another reference pitch moves all of them alike.
  expect(frequencyOf(midi, 442) / frequencyOf(midi, 440)).toBeCloseTo(442 / 440, 12)
})

/** The largest error over every half step from the bass’s E to the top of a violin in first position, in cents. */
function worst(noise: number, frames: number, step: number) {
  let most = 0
  for (const sampleRate of RATES)
    for (let midi = 28; midi <= 83; midi += step)
      for (const off of [-40, 0, 23]) {
        const hz = frequencyOf(midi, 440) * 2 ** (off / 1200)
        const heard = Array.from({ length: frames }, (_, seed) =>
          listenTo(tone(hz, sampleRate, FRAME, { noise, seed: seed + midi }), sampleRate),
        )
        const tones = heard.flatMap((h) => (h.kind === 'tone' ? [h.hz] : []))
        expect(tones, `${midi} at ${sampleRate}`).toHaveLength(frames)
        most = Math.max(most, Math.abs(centsFrom(middle(tones), hz)))
      }
  return most
}

const PATIENT_MS = 60_000

test('a clear tone is heard to two cents', { timeout: PATIENT_MS }, () => {
  expect(worst(0, 1, 1)).toBeLessThan(2)
})

test(
  'with hiss a fifth as loud as the tone, the middle of five is heard to five cents',
  { timeout: PATIENT_MS },
  () => {
    expect(worst(0.12, 5, 5)).toBeLessThan(5)
  },
)

test('silence and noise are no tones', () => {
  expect(listenTo(new Float32Array(FRAME), 48_000).kind).toBe('silence')
  for (let seed = 1; seed < 30; seed++)
    expect(
      listenTo(simulated('noise', [62], 0, { a4: 440, sampleRate: 48_000, samples: FRAME, seed }), 48_000).kind,
    ).toBe('noise')
})

const NAMES = ['G', 'D', 'A', 'E']
const MIDI = [55, 62, 69, 76]
const instrument: TuningInstrument = {
  instrument: 'four-strings',
  name: 'Four strings',
  strings: NAMES.map((name, index) => ({
    index,
    name,
    midi: MIDI[index] ?? 0,
    inTune: 'in tune',
    low: 'a little low',
    high: 'a little high',
    farLow: 'low',
    farHigh: 'high',
    octaveHigh: 'octave high',
    octaveLow: 'octave low',
    below: 'below',
    above: 'above',
    silence: 'silence',
    wrongString: NAMES.map((other) => (other === name ? '' : `this is ${other}`)),
    places: Array.from({ length: 13 }, (_, n) => ({
      semitones: n,
      low: `${n} low`,
      inTune: `${n}`,
      high: `${n} high`,
    })),
  })),
}
const tuning: Tuning = { order: [], instruments: [instrument], inTuneCents: 10, stringCents: 100, noise: 'noise' }

const said = (kind: SimulatedKind, string: number, a4 = 440, place = false) =>
  judge(
    listenTo(simulated(kind, MIDI, string, { a4, sampleRate: 48_000, samples: FRAME, seed: 7 }), 48_000),
    { instrument, string, place, a4 },
    tuning,
  )

test('the player that ships with the program is told what it does, on every string', () => {
  expect(SIMULATED).toHaveLength(7)
  NAMES.forEach((_, string) => {
    expect(said('inTune', string)).toEqual({ words: 'in tune', right: true })
    expect(said('inTune', string, 442)).toEqual({ words: 'in tune', right: true })
    expect(said('flat', string).words).toBe('a little low')
    expect(said('finger', string, 440, true).words).toBe('4 low')
    expect(said('wrongString', string).words).toBe(`this is ${NAMES[string === 3 ? 2 : string + 1]}`)
    expect(said('wrongOctave', string).words).toBe('octave high')
    expect(said('silence', string).words).toBe('silence')
    expect(said('noise', string).words).toBe('noise')
  })
})

test.each([
  [2, 0, '2'],
  [3, -30, '3 low'],
  [3, 30, '3 high'],
  [4, 9, '4'],
  [13, 0, 'above'],
  [-2, 0, 'below'],
])('a finger %i half steps up the D string and %i cents off is told where it stands', (semitones, cents, words) => {
  const hz = frequencyOf(62 + semitones, 440) * 2 ** (cents / 1200)
  const heard = listenTo(tone(hz, 48_000, FRAME, { seed: 3 }), 48_000)
  expect(judge(heard, { instrument, string: 1, place: true, a4: 440 }, tuning).words).toBe(words)
})
