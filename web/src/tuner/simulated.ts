import { frequencyOf } from './pitch'

/** A player that ships with the program, to try the tuner out without an instrument or a microphone. */
export const SIMULATED = [
  { kind: 'inTune', label: 'in tune' },
  { kind: 'flat', label: 'a little low' },
  { kind: 'finger', label: 'with a finger, a little low' },
  { kind: 'wrongString', label: 'on a wrong string' },
  { kind: 'wrongOctave', label: 'an octave too high' },
  { kind: 'silence', label: 'not at all' },
  { kind: 'noise', label: 'with noise only' },
] as const

export type SimulatedKind = (typeof SIMULATED)[number]['kind']

const FLAT_CENTS = 25
/** Where the second finger goes in D major on a violin’s D string. */
const FINGER = 4
const LOUD = 0.3
const HISS = 0.02
/** Loudness of the partials of a bowed string, against the first. */
const PARTIALS = [1, 0.6, 0.5, 0.3, 0.2, 0.12]

/** Numbers between 0 and 1, the same for the same seed (Park and Miller 1988). */
export function seeded(seed: number) {
  let state = (seed % 2147483646) + 1
  return () => (state = (state * 48271) % 2147483647) / 2147483647
}

/** A bowed tone with hiss. */
export function tone(hz: number, sampleRate: number, samples: number, { noise = HISS, seed = 1 } = {}): Float32Array {
  const random = seeded(seed)
  const phases = PARTIALS.map(() => random() * 2 * Math.PI)
  return Float32Array.from({ length: samples }, (_, n) => {
    const clean = PARTIALS.reduce(
      (sum, part, k) => sum + part * Math.sin((2 * Math.PI * hz * (k + 1) * n) / sampleRate + (phases[k] ?? 0)),
      0,
    )
    return LOUD * clean + noise * (2 * random() - 1)
  })
}

/**
 * A frame as the player plays it.
 * @param strings Sounding MIDI key numbers of the instrument’s open strings.
 */
export function simulated(
  kind: SimulatedKind,
  strings: readonly number[],
  string: number,
  { a4, sampleRate, samples, seed }: { a4: number; sampleRate: number; samples: number; seed: number },
): Float32Array {
  if (kind === 'silence') return new Float32Array(samples)
  const random = seeded(seed)
  if (kind === 'noise') return Float32Array.from({ length: samples }, () => 0.4 * (2 * random() - 1))
  const asked = strings[string] ?? 0
  const other = strings[string + 1 < strings.length ? string + 1 : string - 1] ?? asked
  const midi = { wrongString: other, wrongOctave: asked + 12, finger: asked + FINGER, flat: asked, inTune: asked }[kind]
  const off = kind === 'flat' || kind === 'finger' ? -FLAT_CENTS : 0
  const hz = frequencyOf(midi, a4) * 2 ** (off / 1200)
  return tone(hz, sampleRate, samples, { seed })
}
