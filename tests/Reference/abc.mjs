// Pitches and lengths of ABC tunes by abcjs: one [pitches, length] for each note, rests as [].
import { answerAll, load } from './ask.mjs'

const { default: abcjs } = await load('abcjs')
await answerAll((question) =>
  question.map((abc) => {
    const [tune] = abcjs.parseOnly(abc)
    tune.setUpAudio({ chordsOff: true })
    const lines = tune.lines.flatMap((line) => line.staff ?? []).flatMap((staff) => staff.voices[0])
    // abcjs keeps the written length; the ratio of a tuplet stands on its first note.
    let ratio = 1
    return lines
      .filter((e) => e.el_type === 'note')
      .map((e) => {
        if (e.startTriplet) ratio = e.tripletMultiplier
        const read = [e.rest ? [] : (e.midiPitches ?? []).map((p) => p.pitch), e.duration * ratio]
        if (e.endTriplet) ratio = 1
        return read
      })
  }),
)
