import type { SheetPart } from '../api/client'
import { numbersOf } from './sheet'

/** All answers in words, upside down at the foot of the page: found by who looks for them. */
export function FootKey({ parts, instrument }: { parts: readonly SheetPart[]; instrument: string }) {
  const numbers = numbersOf(parts)
  const lines = parts
    .map((part, p) => ({
      name: part.name,
      answers: part.items.flatMap((item, i) => {
        const answer = item.each[instrument]?.answer
        return answer ? [`${(numbers[p] ?? 1) + i} ${answer}`] : []
      }),
    }))
    .filter((line) => line.answers.length > 0)
  return (
    <footer className="mt-4 rotate-180 [break-inside:avoid] border-b border-soft pb-1 text-fine" data-testid="foot-key">
      {lines.map((line) => (
        <p key={line.name}>
          <strong>{line.name}:</strong> {line.answers.join(' · ')}
        </p>
      ))}
    </footer>
  )
}
