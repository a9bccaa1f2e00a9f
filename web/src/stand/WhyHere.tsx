import { barName, type Reading, type ReadingNote } from '../api/client'

/** What a teacher would say about the current note. */
export function WhyHere({
  note,
  reading,
  strings,
  onPin,
}: {
  note: ReadingNote
  reading: Reading
  strings: readonly { letter: string }[]
  onPin: (pair: { string: number; finger: number } | null) => void
}) {
  const reached = note.string != null
  const value = reading.events.find((e) => e.id === note.id)?.words
  const trouble = reading.trouble.find((t) => t.noteId === note.id)
  const travel = reading.travels.find((t) => t.noteId === note.id)
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
        {barName(note.bar)}, beat {note.beat}
        {value && `, ${value}`}
        {note.positionSpoken && note.finger !== 0 ? `, ${note.positionSpoken}` : ''},{' '}
        {note.plucked ? 'plucked' : `${note.bow} bow`}
        {travel && ` (${travel.amount})`}
        {note.bowAgain && `, ${note.bowAgain} the second time`}
      </p>
      {[note.why.reading, note.why.finger, note.why.place, note.why.choice].filter(Boolean).map((sentence) => (
        <p key={sentence} className="mb-1.5">
          {sentence}
        </p>
      ))}
      {trouble && (
        <p className={`mb-1.5 border-l-4 pl-3 ${trouble.isSlip ? 'border-line-dark' : 'border-brick'}`}>
          {trouble.isSlip ? 'The likeliest slip in this line' : 'Trouble spot'}: {trouble.text}
        </p>
      )}
      {(note.others.length > 0 || note.pinned) && !note.isGrace && (
        <p className="mt-2 flex flex-wrap items-center gap-1.5 text-sm">
          <span className="text-soft">{note.pinned ? 'Your choice.' : 'Or play it with'}</span>
          {note.others.slice(0, 4).map((other) => (
            <button
              key={`${other.string}-${other.finger}`}
              type="button"
              onClick={() => onPin(other)}
              className="rounded-md border border-line-dark bg-sheet px-2 py-0.5 font-bold hover:bg-maple-pale"
            >
              {other.label}
              {other.beyond && '*'}
            </button>
          ))}
          {note.pinned && (
            <button
              type="button"
              onClick={() => onPin(null)}
              className="px-1 font-bold text-spruce underline underline-offset-4"
            >
              Let Coppia choose
            </button>
          )}
        </p>
      )}
      {((note.place === 'high' && note.finger === 4) || note.reach) && (
        <p className="mt-2 border-l-4 border-maple pl-3 text-sm">
          {note.reach ? 'The fourth finger reaches: open the hand from below, check' : 'A stretch: check'} the
          instrument’s size first, and stop if it hurts.
        </p>
      )}
      {(note.place === 'forward' || note.place === 'back') && !note.reach && (
        <p className="mt-2 border-l-4 border-maple pl-3 text-sm">
          A stretched hand: let the thumb follow, shake it out afterwards, and stop if it hurts.
        </p>
      )}
    </section>
  )
}
