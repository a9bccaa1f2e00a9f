import { TextLink } from '../ui/TextLink'
import type { ClassLog } from './queries'
import { weekdayOf } from '../calendar/days'

/** Ready sentences that learners sent, the last first. */
export function LearnerNotes({ id, notes }: { id?: number; notes: ClassLog['notes'] }) {
  if (notes.length === 0) return null
  return (
    <section aria-labelledby="notes">
      <h2 id="notes" className="mb-1 text-xl">
        They say
      </h2>
      <ul>
        {notes.map((n) => (
          <li key={`${n.learnerId} ${n.day} ${n.words}`} className="border-t border-line py-1 first:border-t-0">
            {id !== undefined && (
              <>
                <TextLink inSentence to={`/classes/${id}/learners/${n.learnerId}`}>
                  {n.nickname}
                </TextLink>
                :{' '}
              </>
            )}
            “{n.words}”
            <span className="text-sm text-soft">
              {n.tune !== null && ` · ${n.tune}`} · {weekdayOf(n.day)}
            </span>
          </li>
        ))}
      </ul>
    </section>
  )
}
