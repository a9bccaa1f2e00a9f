import { PitchDetector } from 'pitchy'

/** What was heard: a tone with its frequency, something that is none, or nothing. */
export type Heard = { kind: 'silence' } | { kind: 'noise' } | { kind: 'tone'; hz: number }

/** Samples that are listened to at once: the lowest string of a bass swings three times in them at 48,000 a second. */
export const FRAME = 4096

/** As loud as a whisper near the microphone, root mean square of full scale. */
const SILENT = 0.004
/** From 0 to 1, how clearly a tone repeats itself (McLeod and Wyvill 2005, "A smarter way to find pitch"). */
const CLEAR = 0.9
/**
 * Below a bass’s lowest string, and above an octave over a violin’s highest place in first position, is no tone of
 * ours, in hertz.
 */
const LOWEST = 38
const HIGHEST = 2_200

const detectors = new Map<number, PitchDetector<Float32Array>>()

/** Listens to a frame of samples. */
export function listenTo(frame: Float32Array, sampleRate: number): Heard {
  if (Math.sqrt(frame.reduce((sum, s) => sum + s * s, 0) / frame.length) < SILENT) return { kind: 'silence' }
  let detector = detectors.get(frame.length)
  if (!detector) {
    detector = PitchDetector.forFloat32Array(frame.length)
    detectors.set(frame.length, detector)
  }
  const [hz, clarity] = detector.findPitch(frame, sampleRate)
  return clarity < CLEAR || hz < LOWEST || hz > HIGHEST ? { kind: 'noise' } : { kind: 'tone', hz }
}

const A4_KEY = 69
/** Hertz (ISO 16). */
export const USUAL_A4 = 440
const OCTAVE_CENTS = 1200
export const HALF_STEP_CENTS = 100

/** The frequency of a MIDI key number in equal temperament (ISO 16 for A4 = 440 Hz). */
export const frequencyOf = (midi: number, a4: number) => a4 * 2 ** ((midi - A4_KEY) / 12)

/** How far a tone is from another, in cents: a half step has a hundred. */
export const centsFrom = (hz: number, other: number) => OCTAVE_CENTS * Math.log2(hz / other)

/** The middle one of some tones: one frame that is off does not make the words jump. */
export function middle(some: readonly number[]): number {
  const sorted = [...some].sort((a, b) => a - b)
  return sorted[Math.floor(sorted.length / 2)] ?? 0
}
