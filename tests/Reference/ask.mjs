// Shared by the scripts here: resolves packages from the front end's folder, and answers every line of JSON with one.
import { createRequire } from 'node:module'
import { createInterface } from 'node:readline'
import { pathToFileURL } from 'node:url'

const require = createRequire(`${process.cwd()}/package.json`)
export const load = (name) => import(pathToFileURL(require.resolve(name)).href)

/** Answers one question after the other until nobody asks any more; of a question that fails it tells why. */
export async function answerAll(answerTo) {
  for await (const line of createInterface({ input: process.stdin })) {
    let told
    try {
      told = { answer: answerTo(JSON.parse(line)) }
    } catch (problem) {
      told = { failed: problem.stack }
    }
    process.stdout.write(`${JSON.stringify(told)}\n`)
  }
}
