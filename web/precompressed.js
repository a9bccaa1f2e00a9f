import { createReadStream, createWriteStream } from 'node:fs'
import { readdir, stat } from 'node:fs/promises'
import { join } from 'node:path'
import { pipeline } from 'node:stream/promises'
import { constants, createBrotliCompress } from 'node:zlib'

/** Types and pictures are compressed in themselves. */
const COMPRESSIBLE = /\.(js|css|html|svg|wasm|webmanifest)$/
/** A large file takes a dozen seconds at the best that Brotli can, and one at nearly the best. */
const LARGE_BYTES = 1_000_000

async function compress(path) {
  const { size } = await stat(path)
  const params = {
    [constants.BROTLI_PARAM_QUALITY]: size < LARGE_BYTES ? 11 : 9,
    [constants.BROTLI_PARAM_SIZE_HINT]: size,
  }
  await pipeline(createReadStream(path), createBrotliCompress({ params }), createWriteStream(`${path}.br`))
}

/**
 * Lays beside every file that gains from it the same file compressed (RFC 7932), for the server to send as it is.
 *
 * @returns {import('vite').Plugin}
 */
export function precompressed() {
  let folder
  return {
    name: 'precompressed',
    apply: 'build',
    enforce: 'post',
    configResolved(config) {
      folder = config.build.outDir
    },
    closeBundle: {
      order: 'post',
      sequential: true,
      async handler() {
        const names = await readdir(folder, { recursive: true })
        await Promise.all(names.filter((name) => COMPRESSIBLE.test(name)).map((name) => compress(join(folder, name))))
      },
    },
  }
}
