import { Link } from 'react-router'
import { barName, type Reading, type ReadingNote } from '../api/client'
import { ValueTree } from './ValueTree'

/** How this bar is counted, and how its values part. */
export function CountPanel({ reading, now }: { reading: Reading; now: ReadingNote }) {
  const bar = reading.bars.find((b) => b.eventIds.includes(now.id)) ?? reading.bars[0]
  if (!bar) return null
  const counts = reading.counts.filter((c) => bar.eventIds.includes(c.eventId))
  return (
    <section aria-label="Count" className="text-[15px] leading-snug">
      <h2 className="mb-1 text-xl">{barName(bar.number)}</h2>
      <p className="mb-2 text-lg" data-testid="bar-count">
        {counts.map((c, i) => (
          <span
            key={i}
            className={`mr-2 ${c.kind === 'struck' ? (c.eventId === now.id ? 'font-bold text-maple-dark' : 'font-bold') : 'text-soft'}`}
          >
            {c.kind === 'rest' ? `(${c.text})` : c.text}
          </span>
        ))}
      </p>
      <ValueTree
        events={reading.events.filter((e) => e.barId === bar.id)}
        now={now.id}
        british={reading.valueNames === 'british'}
      />
      <p className="mt-2 text-sm text-soft">
        The way of counting and the names of the values are set in the{' '}
        <Link to="/style" className="font-bold text-spruce underline underline-offset-4">
          house style
        </Link>
        .
      </p>
    </section>
  )
}
