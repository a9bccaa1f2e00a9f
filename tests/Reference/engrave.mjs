// Loads MusicXML in verovio, reads its MIDI with @tonejs/midi, and lists what the engraver warned of.
import { answerAll, load } from './ask.mjs'

const { default: createModule } = await load('verovio/wasm')
const { VerovioToolkit } = await load('verovio/esm')
const { default: midi } = await load('@tonejs/midi')
const warnings = []
const keep = (...words) => warnings.push(words.join(' '))
console.warn = keep
console.error = keep
console.log = keep
const toolkit = new VerovioToolkit(await createModule({ print: keep, printErr: keep }))
await answerAll((question) =>
  question.map((xml) => {
    warnings.length = 0
    toolkit.setOptions({ expandNever: true, breaks: 'none' })
    const loaded = toolkit.loadData(xml)
    const bytes = Buffer.from(toolkit.renderToMIDI(), 'base64')
    const file = new midi.Midi(bytes)
    const notes = file.tracks.flatMap((t) => t.notes).map((n) => ({ midi: n.midi, start: n.ticks / file.header.ppq, length: n.durationTicks / file.header.ppq }))
    const svg = toolkit.renderToSVG(1)
    return { loaded: Boolean(loaded), warnings: [...warnings], notes, ids: [...svg.matchAll(/id="(b\d+n\d+)"/g)].map((m) => m[1]) }
  }),
)
