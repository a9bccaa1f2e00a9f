import type { Count, Reading } from '../api/client'
import { TextLink } from '../ui/TextLink'
import { ValueTree } from './ValueTree'

/** How this bar is counted, and how its values part. */
export function CountPanel({
  bar,
  counts,
  events,
  values,
  now,
}: {
  bar: Reading['bars'][number] | undefined
  counts: readonly Count[]
  events: Reading['events']
  values: Reading['values']
  /** The note that one stands on. */
  now: string
}) {
  if (!bar) return null
  const look = (c: Count) =>
    c.kind !== 'struck' ? 'text-soft' : c.eventId === now ? 'font-bold text-maple-dark' : 'font-bold'
  return (
    <section aria-label="Count" className="text-said">
      <h2 className="mb-1 text-xl">{bar.name}</h2>
      <p className="mb-2 text-lg" data-testid="bar-count">
        {counts.map((c) => (
          <span key={`${c.eventId}-${c.offset}`} className={`mr-2 ${look(c)}`}>
            {c.kind === 'rest' ? `(${c.text})` : c.text}
          </span>
        ))}
      </p>
      <ValueTree events={events} values={values} now={now} />
      <p className="mt-2 text-sm text-soft">
        The way of counting and the names of the values are set in the{' '}
        <TextLink inSentence to="/style">
          house style
        </TextLink>
        .
      </p>
    </section>
  )
}
