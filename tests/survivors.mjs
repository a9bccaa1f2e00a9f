// Prints which mutants of a report survived, and the share that was killed.
import { readFileSync } from 'node:fs'

const { files } = JSON.parse(readFileSync(process.argv[2], 'utf8'))
const mutants = Object.entries(files).flatMap(([file, { mutants }]) => mutants.map((m) => ({ ...m, file })))
const killed = mutants.filter((m) => m.status === 'Killed' || m.status === 'Timeout').length
const left = mutants.filter((m) => m.status === 'Survived' || m.status === 'NoCoverage')
for (const { file, location, mutatorName, replacement } of left)
  console.log(`${file.split('/').slice(-2).join('/')}:${location.start.line}: ${mutatorName}: ${replacement.replace(/\s+/g, ' ').slice(0, 120)}`)
console.log(`${killed} of ${killed + left.length} mutants noticed (${Math.round((100 * killed) / Math.max(1, killed + left.length))} %)`)
