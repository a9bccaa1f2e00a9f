// The front end's own steps of the caller, and beside them when verovio's time map has each note begin, its repeats played out.
import { readFileSync } from 'node:fs'
import { answerAll, load } from './ask.mjs'

const { default: ts } = await load('typescript')
const address = (code) => `data:text/javascript,${encodeURIComponent(code)}`
const compiled = (path) =>
  ts.transpileModule(readFileSync(new URL(`../../web/src/${path}`, import.meta.url), 'utf8'), {
    compilerOptions: { module: 'esnext', target: 'es2022' },
  }).outputText
const steps = compiled('caller/steps.ts').replace("'../hear/schedule'", JSON.stringify(address(compiled('hear/schedule.ts'))))
const { stepsOf, callerSchedule, turnId } = await import(address(steps))
const { default: createModule } = await load('verovio/wasm')
const { VerovioToolkit } = await load('verovio/esm')
const toolkit = new VerovioToolkit(await createModule())
await answerAll((question) =>
  question.map(({ together, reading, musicXml }) => {
    toolkit.setOptions({ breaks: 'none' })
    toolkit.loadData(musicXml)
    const notes = new Set(reading.noteIds)
    const all = stepsOf(together, reading)
    const schedule = callerSchedule(all, reading, { from: 0, to: all.length - 1 }, [0], false)
    const at = new Map(schedule.notes.map((n) => [n.noteId, n.at]))
    return {
      map: toolkit
        .renderToTimemap({})
        .flatMap((e) => (e.on ?? []).map((id) => [id.replace(/-rend\d+$/, ''), e.qstamp]))
        .filter(([id]) => notes.has(id)),
      caller: all.flatMap((s, i) => {
        const id = s.moment.sections[0]?.noteId
        return id ? [[id, s.at, at.get(turnId(0, i))]] : []
      }),
    }
  }),
)
