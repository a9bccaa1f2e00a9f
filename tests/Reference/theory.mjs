// Scales, key signatures and MIDI numbers by tonal.
import { answerAll, load } from './ask.mjs'

const { Key, Note, Scale } = await load('tonal')
await answerAll((question) => ({
  majors: question.tonics.map((t) => ({ notes: Scale.get(`${t} major`).notes, alteration: Key.majorKey(t).alteration })),
  minors: question.minorTonics.map((t) => Key.minorKey(t).natural.scale),
  midi: question.pitches.map((p) => Note.midi(p)),
}))
