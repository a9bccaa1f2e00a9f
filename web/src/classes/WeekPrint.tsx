import { useParams } from 'react-router'
import type { Learner } from '../api/client'
import { Asked } from '../ui/Asked'
import { Screen } from '../ui/Screen'
import { Strip } from '../ui/Strip'
import { TextLink } from '../ui/TextLink'
import { useClass, useWork, type Work } from '../register/queries'
import { PrintEnd } from '../ui/PrintEnd'
import { today, weekdayOf } from '../calendar/days'

const DAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun']

/** The week on paper, half a page for each learner, for those without a screen. */
export function WeekPrint() {
  const id = Number(useParams().id)
  const one = useClass(id)
  const work = useWork(id)
  const due = work.data?.filter((w) => w.due >= today()) ?? []
  return (
    <Screen title={`The week of ${one.data?.summary.name ?? 'the class'}`}>
      <Strip lead={<TextLink to={`/classes/${id}`}>Back to the class</TextLink>}>
        <PrintEnd ready={due.length > 0} />
      </Strip>
      <div className="mx-auto max-w-3xl px-4 py-5 print:max-w-none print:p-0">
        <h1 className="mb-4 text-2xl print:hidden">The week of {one.data?.summary.name ?? 'the class'}</h1>
        <Asked of={work}>
          {work.data && due.length === 0 && <p>Nothing is set for the days to come.</p>}
          {due.length > 0 &&
            one.data?.learners.map((l) => (
              <LearnersWeek
                key={l.id}
                learner={l}
                work={due.filter((w) => w.for.includes(l.id))}
                className={one.data.summary.name}
              />
            ))}
        </Asked>
      </div>
    </Screen>
  )
}

function LearnersWeek({ learner, work, className }: { learner: Learner; work: readonly Work[]; className: string }) {
  return (
    <section className="mb-6 break-inside-avoid border border-line-dark bg-sheet p-5 print:mb-4 print:bg-white">
      <h2 className="text-2xl">{learner.nickname}</h2>
      <p className="mb-2 text-sm text-soft">{className}</p>
      {work.length === 0 && <p>Nothing is set. Play what you like best.</p>}
      <ul>
        {work.map((w) => (
          <li key={w.id} className="border-t border-line py-2">
            <p className="flex items-baseline gap-2">
              <Box />
              <span className="font-bold">{w.title}</span>
              <span className="text-sm text-soft">by {weekdayOf(w.due)}</span>
            </p>
            {w.ladder && (
              <p className="mt-1 flex flex-wrap items-center gap-x-4 gap-y-1 pl-6 text-sm">
                {w.ladder.rungs.slice(w.ladder.start).map((rung) => (
                  <span key={rung} className="flex items-center gap-1">
                    {rung}
                    {Array.from({ length: w.ladder?.cleanToClimb ?? 0 }, (_, n) => (
                      <Box key={n} />
                    ))}
                  </span>
                ))}
              </p>
            )}
          </li>
        ))}
      </ul>
      <table className="mt-3 w-full table-fixed text-center text-sm">
        <caption className="pb-1 text-left font-bold">Minutes; a day of rest is a good day too</caption>
        <thead>
          <tr>
            {DAYS.map((day) => (
              <th key={day} className="border border-line-dark font-normal">
                {day}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          <tr>
            {DAYS.map((day) => (
              <td key={day} className="h-9 border border-line-dark" />
            ))}
          </tr>
        </tbody>
      </table>
      <p className="mt-2 text-sm">A few minutes with breaks beat one long stint. When something hurts, stop.</p>
    </section>
  )
}

/** A box to tick by hand. */
function Box() {
  return <span className="inline-block size-3.5 shrink-0 border border-ink" aria-hidden="true" />
}
