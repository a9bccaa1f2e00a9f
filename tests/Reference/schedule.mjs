// Plays the front end's own schedule on verovio's time map: what would sound when, the beats, and the clicks before each start.
import { readFileSync } from 'node:fs'
import { answerAll, load } from './ask.mjs'

const { default: ts } = await load('typescript')
const source = readFileSync(new URL('../../web/src/hear/schedule.ts', import.meta.url), 'utf8')
const code = ts.transpileModule(source, { compilerOptions: { module: 'esnext', target: 'es2022' } }).outputText
const { scheduleOf, countIn } = await import(`data:text/javascript,${encodeURIComponent(code)}`)
const { default: createModule } = await load('verovio/wasm')
const { VerovioToolkit } = await load('verovio/esm')
const toolkit = new VerovioToolkit(await createModule())
await answerAll((question) =>
  question.map(({ reading, starts }) => {
    toolkit.setOptions({ breaks: 'none' })
    toolkit.loadData(reading.musicXml)
    const schedule = scheduleOf(toolkit.renderToTimemap({ includeMeasures: true }), reading)
    return { ...schedule, clicks: starts.map((s) => countIn(schedule, s).clicks.map((strong) => (strong ? '!' : '.')).join('')) }
  }),
)
