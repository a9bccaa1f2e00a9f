import type { ReadingNote } from '../api/client'

/** What a teacher would say about the current note. */
export function WhyHere({ note, strings }: { note: ReadingNote; strings: readonly { letter: string }[] }) {
  const reached = note.string != null
  return (
    <section aria-label="Why here" aria-live="polite" className="text-[15px] leading-snug">
      <h2 className="flex items-baseline gap-2 text-xl">
        {note.name}
        <span className="text-maple-dark">
          {reached
            ? `${strings[note.string ?? 0]?.letter} string, ${note.finger === 0 ? 'open' : `finger ${note.sign}`}`
            : 'out of reach'}
        </span>
      </h2>
      <p className="mb-2 text-sm text-soft">
        Bar {note.bar === 0 ? 'before 1 (pick-up)' : note.bar}, beat {note.beat}
        {note.positionSpoken && note.finger !== 0 ? `, ${note.positionSpoken}` : ''}, {note.bow} bow
      </p>
      {[note.why.reading, note.why.finger, note.why.place, note.why.choice].filter(Boolean).map((sentence) => (
        <p key={sentence} className="mb-1.5">
          {sentence}
        </p>
      ))}
      {note.sign === 'H4' && (
        <p className="mt-2 border-l-4 border-maple pl-3 text-sm">
          A stretch: check the instrument’s size first, and stop if it hurts.
        </p>
      )}
      {(note.place === 'forward' || note.place === 'back') && (
        <p className="mt-2 border-l-4 border-maple pl-3 text-sm">
          A stretched hand: let the thumb follow, shake it out afterwards, and stop if it hurts.
        </p>
      )}
    </section>
  )
}
