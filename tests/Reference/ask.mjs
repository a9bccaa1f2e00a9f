// Shared by the scripts here: resolves packages from the front end's folder, reads the question, prints the answer.
import { createRequire } from 'node:module'
import { pathToFileURL } from 'node:url'

const require = createRequire(`${process.cwd()}/package.json`)
export const load = (name) => import(pathToFileURL(require.resolve(name)).href)

let text = ''
for await (const chunk of process.stdin) text += chunk
export const question = JSON.parse(text)
export const answer = (value) => process.stdout.write(JSON.stringify(value))
