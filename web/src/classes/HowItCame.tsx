import type { KnownChange } from '../api/client'
import { Button } from '../ui/Button'
import { useToast } from '../ui/toasts'
import { useTakeBack } from '../register/queries'
import { several } from '../ui/several'
import { dayOf } from '../calendar/days'

const MOST_NAMED = 6

/** How the class came to know what it knows, the last first; each change can be taken back. */
export function HowItCame({ id, changes }: { id: number; changes: readonly KnownChange[] }) {
  const take = useTakeBack(id)
  const toast = useToast()
  const set = (change: number, back: boolean) =>
    take.mutate({ change, back }, { onError: (problem) => toast({ text: problem.message }) })
  return (
    <>
      <h2 id="came" className="mb-1 text-xl">
        How it came to know
      </h2>
      {changes.length === 0 && (
        <p className="text-said">
          Nothing is ticked yet. Begin with a stage of the usual order, tick single things, or mark a tune as learned on
          its stand.
        </p>
      )}
      <ol className="text-said">
        {changes.map((c) => (
          <li
            key={c.id}
            className={`border-b border-line py-2 ${c.takenBack ? 'text-soft line-through decoration-1' : ''}`}
          >
            <div className="flex items-start justify-between gap-2">
              <span>
                <span className="block font-bold">{c.words}</span>
                <span className="text-sm text-soft">
                  {dayOf(c.madeAt)}
                  {c.madeBy && ` · ${c.madeBy}`}
                </span>
              </span>
              <Button
                size="inline"
                disabled={take.isPending}
                aria-label={`${c.takenBack ? 'Let count again' : 'Take back'}: ${c.words}`}
                onClick={() => set(c.id, !c.takenBack)}
              >
                {c.takenBack ? 'Again' : 'Take back'}
              </Button>
            </div>
            {c.added.length > 0 && <p>{c.cause === 'stage' ? several(c.added.length, 'thing') : inShort(c.added)}</p>}
            {c.removed.length > 0 && <p>No more: {inShort(c.removed)}</p>}
            {c.added.length === 0 && c.removed.length === 0 && !c.takenBack && <p>Nothing new.</p>}
          </li>
        ))}
      </ol>
    </>
  )
}

const inShort = (names: readonly string[]) =>
  names.length <= MOST_NAMED
    ? names.join(', ')
    : `${names.slice(0, MOST_NAMED).join(', ')} and ${names.length - MOST_NAMED} more`
