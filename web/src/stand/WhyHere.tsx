import type { Pin, ReadingNote, Trouble } from '../api/client'
import { Button } from '../ui/Button'
import { SideNote } from '../ui/Said'
import { TextButton } from '../ui/TextLink'

/** So many other ways are offered. */
const MOST_WAYS = 4

/** What a teacher would say about the note that one stands on. */
export function WhyHere({
  note,
  trouble,
  onPin,
}: {
  note: ReadingNote
  trouble: Trouble | undefined
  onPin: (pair: Pick<Pin, 'string' | 'finger'> | null) => void
}) {
  const { why, here } = note
  return (
    <section aria-label="Why here" aria-live="polite" className="text-said">
      <h2 className="flex items-baseline gap-2 text-xl">
        {note.name}
        <span className="text-maple-dark">{here.way}</span>
      </h2>
      <p className="mb-2 text-sm text-soft">{here.where}</p>
      {[why.reading, why.finger, why.place, why.choice].filter(Boolean).map((sentence) => (
        <p key={sentence} className="mb-1.5">
          {sentence}
        </p>
      ))}
      {trouble && (
        <p className={`mb-1.5 border-l-4 pl-3 ${trouble.isSlip ? 'border-line-dark' : 'border-brick'}`}>
          {trouble.title}: {trouble.text}
        </p>
      )}
      {(note.others.length > 0 || note.pinned) && !note.isGrace && (
        <p className="mt-2 flex flex-wrap items-center gap-1.5 text-sm">
          <span className="text-soft">{note.pinned ? 'Your choice.' : 'Or play it with'}</span>
          {note.others.slice(0, MOST_WAYS).map((other) => (
            <Button key={`${other.string}-${other.finger}`} size="inline" onClick={() => onPin(other)}>
              {other.label}
              {other.beyond && '*'}
            </Button>
          ))}
          {note.pinned && <TextButton onClick={() => onPin(null)}>Let Coppia choose</TextButton>}
        </p>
      )}
      {here.care && (
        <div className="mt-2 text-sm">
          <SideNote>{here.care}</SideNote>
        </div>
      )}
    </section>
  )
}
