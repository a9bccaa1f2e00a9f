// The voices of ABC tunes by abcjs: for each tune a list of voices, each [[pitch or null, length]].
import { answerAll, load } from './ask.mjs'

const { default: abcjs } = await load('abcjs')
await answerAll((question) =>
  question.map((abc) => {
    const [tune] = abcjs.parseOnly(abc)
    tune.setUpAudio({ chordsOff: true })
    const voices = []
    for (const line of tune.lines)
      for (const [s, staff] of (line.staff ?? []).entries())
        for (const [v, voice] of staff.voices.entries()) {
          const key = `${s}/${v}`
          let found = voices.find((x) => x.key === key)
          if (!found) voices.push((found = { key, notes: [] }))
          // abcjs keeps the written length; the ratio of a tuplet stands on its first note.
          let ratio = 1
          for (const e of voice.filter((x) => x.el_type === 'note')) {
            if (e.startTriplet) ratio = e.tripletMultiplier
            found.notes.push([e.rest ? null : (e.midiPitches?.[0]?.pitch ?? null), e.duration * ratio])
            if (e.endTriplet) ratio = 1
          }
        }
    return voices.map((v) => v.notes)
  }),
)
