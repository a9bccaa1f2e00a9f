import { today, weekdayOf } from '../calendar/days'
import { placeOfWork } from '../classes'
import { useWork } from '../register/queries'
import { Asked } from '../ui/Asked'
import { TextLink } from '../ui/TextLink'

/** What is set for the days to come, and how many have done it. */
export function SetThisWeek({ id }: { id: number }) {
  const work = useWork(id)
  const due = work.data?.filter((w) => w.due >= today()).toSorted((a, b) => a.due.localeCompare(b.due)) ?? []
  return (
    <section aria-labelledby="set">
      <h2 id="set" className="mb-1 text-xl">
        Set to practise
      </h2>
      <Asked of={work}>
        {work.data && due.length === 0 && <p>Nothing is set for the days to come.</p>}
        <ul>
          {due.map((w) => (
            <li key={w.id} className="flex flex-wrap items-baseline gap-x-4 border-b border-line py-1">
              <span className="min-w-0 flex-1">
                <TextLink to={placeOfWork(w, id)}>{w.title}</TextLink>
                <span className="text-sm text-soft max-md:block"> by {weekdayOf(w.due)}</span>
              </span>
              <span className="shrink-0 text-right">
                {w.done.length} of {w.for.length} done
              </span>
            </li>
          ))}
        </ul>
      </Asked>
      <p className="mt-2 flex flex-wrap gap-x-5">
        <TextLink to={`/classes/${id}`}>Set something</TextLink>
        {due.length > 0 && <TextLink to={`/classes/${id}/week`}>Print the week</TextLink>}
      </p>
    </section>
  )
}
