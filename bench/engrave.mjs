// Engraves one MusicXML file for every line on standard input, and answers each with the number of pages.
import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { createInterface } from 'node:readline'
import { pathToFileURL } from 'node:url'

const require = createRequire(new URL('../web/package.json', import.meta.url))
const load = (name) => import(pathToFileURL(require.resolve(name)))
const { default: createVerovioModule } = await load('verovio/wasm')
const { VerovioToolkit } = await load('verovio/esm')
const xml = readFileSync(process.argv[2], 'utf8')
const toolkit = new VerovioToolkit(await createVerovioModule())
for await (const _ of createInterface({ input: process.stdin })) {
  toolkit.loadData(xml)
  for (let page = 1; page <= toolkit.getPageCount(); page++) toolkit.renderToSVG(page)
  console.log(toolkit.getPageCount())
}
