// Pitches and lengths of MusicXML scores by opensheetmusicdisplay: for each score a list of voices, each [name, [[pitch or null, length]]].
import { answerAll, load } from './ask.mjs'

const { JSDOM } = await load('jsdom')
const dom = new JSDOM('<!doctype html>')
for (const name of ['window', 'document', 'DOMParser', 'Node', 'XMLHttpRequest', 'HTMLElement', 'HTMLAnchorElement', 'Document', 'Element'])
  globalThis[name] = name === 'window' ? dom.window : dom.window[name]
const quiet = () => {}
console.log = console.warn = console.error = quiet
const { default: osmd } = await load('opensheetmusicdisplay')
const { EngravingRules, IXmlElement, MusicSheetReader } = osmd

const linesOf = (question) => {
  const lines = []
  for (const xml of question) {
    // Its reader alone: what it engraves needs a window.
    const root = new dom.window.DOMParser().parseFromString(xml, 'text/xml').documentElement
    const sheet = new MusicSheetReader([], new EngravingRules()).createMusicSheet(new IXmlElement(root), 'tune')
    const voices = new Map()
    for (const measure of sheet.SourceMeasures)
      for (const container of measure.VerticalSourceStaffEntryContainers)
        for (const entry of container.StaffEntries.filter(Boolean))
          for (const voice of entry.VoiceEntries) {
            if (voice.IsGrace) continue
            const key = `${entry.ParentStaff.idInMusicSheet}/${voice.ParentVoice.VoiceId}`
            if (!voices.has(key)) voices.set(key, [])
            const [note] = voice.Notes
            voices.get(key).push([note.isRest() ? null : note.Pitch.getHalfTone() + 12, note.Length.RealValue])
          }
    lines.push([...voices].map(([key, notes]) => ({ key, notes })))
  }
  return lines
}

await answerAll(linesOf)
