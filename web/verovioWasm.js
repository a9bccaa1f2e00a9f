import { createHash } from 'node:crypto'
import { readFile } from 'node:fs/promises'
import { createRequire } from 'node:module'
import { runInNewContext } from 'node:vm'

const MODULE = createRequire(import.meta.url).resolve('verovio/wasm')

/** The engraver’s module holds its program as a string: a byte a character, with U+0100 for zero. */
const HELD = /function findWasmBinary\(\)\{return binaryDecode\(('.*?')\)\}/s
const STARTED = 'WebAssembly.instantiate(binary,imports)'

let once
const taken = () => (once ??= take())

async function take() {
  const code = await readFile(MODULE, 'utf8')
  const held = HELD.exec(code)
  if (!held || !code.includes(STARTED))
    throw new Error(`${MODULE} holds its program in another way than is known here.`)
  const text = runInNewContext(held[1])
  const program = Uint8Array.from(text, (c) => c.charCodeAt(0) & 0xff)
  const hash = createHash('sha256').update(program).digest('hex').slice(0, 8)
  return { code, program, fileName: `assets/verovio-${hash}.wasm` }
}

/**
 * Takes the engraver’s program out of its script into a file of its own, which a browser compiles as it comes in. In
 * the script it would be parsed and decoded first, on every page anew.
 *
 * @returns {import('vite').Plugin}
 */
export function verovioWasm() {
  let builds = false
  return {
    name: 'verovio-wasm',
    config: () => ({ optimizeDeps: { exclude: ['verovio'] } }),
    configResolved(config) {
      builds = config.command === 'build'
    },
    async configureServer(server) {
      const { fileName } = await taken()
      server.middlewares.use(`/${fileName}`, (_, answer, next) => {
        taken().then(({ program }) => {
          answer.setHeader('Content-Type', 'application/wasm')
          answer.end(program)
        }, next)
      })
    },
    async load(id) {
      if (id.split('?')[0] !== MODULE) return null
      const { code, program, fileName } = await taken()
      if (builds) this.emitFile({ type: 'asset', fileName, source: program })
      return code
        .replace(HELD, () => `function findWasmBinary(){return fetch(${JSON.stringify(`/${fileName}`)})}`)
        .replace(STARTED, 'WebAssembly.instantiateStreaming(binary,imports)')
    },
  }
}
