// When each note begins, in quarters, with repeats played out, by verovio's time map.
import { answerAll, load } from './ask.mjs'

const { default: createModule } = await load('verovio/wasm')
const { VerovioToolkit } = await load('verovio/esm')
const toolkit = new VerovioToolkit(await createModule())
await answerAll((question) =>
  question.map((xml) => {
    toolkit.setOptions({ breaks: 'none' })
    toolkit.loadData(xml)
    return toolkit.renderToTimemap({}).flatMap((e) => (e.on ?? []).map((id) => [id.replace(/-rend\d+$/, ''), e.qstamp]))
  }),
)
