import { useParams } from 'react-router'
import { useInstruments } from '../api/instruments'
import { useClass } from '../register/queries'
import { FileLink } from '../ui/FileLink'
import { Asked } from '../ui/Asked'
import { Page } from '../ui/Page'
import { TextLink } from '../ui/TextLink'
import { AskFirst } from './AskFirst'
import { LearnerNotes } from './LearnerNotes'
import { useLogbook, type ClassLog } from './queries'
import { dayAndMonth } from '../calendar/days'

/** How a class is doing at home: minutes, who needs help with what, and what learners wrote. */
export function LogbookScreen() {
  const id = Number(useParams().id)
  const log = useLogbook(id)
  const of = useClass(id)
  const seen = log.data
  const isEmpty = seen?.learners.every((l) => l.last === null) && seen.notes.length === 0
  return (
    <Page
      title="Logbook"
      back={{ to: `/classes/${id}`, words: of.data?.summary.name ?? 'The class' }}
      actions={
        <>
          <FileLink href={`/api/classes/${id}/record.csv`}>Save as a table (CSV)</FileLink>
          <FileLink href={`/api/classes/${id}/record.json`}>Save the whole record</FileLink>
        </>
      }
    >
      <Asked of={log}>
        {seen && (
          <div className="flex flex-col gap-5">
            {isEmpty && (
              <p>
                Nothing has come from home yet. Learners send their minutes and answers from their own page:{' '}
                <TextLink inSentence to={`/classes/${id}/links`}>
                  print their cards
                </TextLink>
                .
              </p>
            )}
            <div className="grid grid-cols-1 gap-x-12 gap-y-6 lg:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]">
              <Minutes id={id} log={seen} />
              <div className="flex flex-col gap-6">
                <AskFirst id={id} ask={seen.ask} />
                <Quiet id={id} quiet={seen.quiet} />
                <LearnerNotes notes={seen.notes} id={id} />
              </div>
            </div>
            <Help id={id} help={seen.help} />
          </div>
        )}
      </Asked>
    </Page>
  )
}

const PHONE_WEEKS = 4

/** Minutes of each learner, week by week: to be looked at, and to be read. */
function Minutes({ id, log }: { id: number; log: ClassLog }) {
  const instruments = useInstruments().data ?? []
  // A phone has room for the last weeks only.
  const fits = (week: number) => (week < log.weeks.length - PHONE_WEEKS ? 'max-md:hidden' : '')
  const most = Math.max(1, ...log.learners.flatMap((l) => l.weeks))
  const learners = instruments.flatMap((i) => log.learners.filter((l) => l.instrument === i.id))
  return (
    <section aria-labelledby="minutes">
      <h2 id="minutes" className="mb-1 text-xl">
        Minutes, week by week
      </h2>
      <table className="w-full table-fixed border-collapse text-sm">
        <thead>
          <tr className="text-left align-bottom text-soft">
            <th scope="col" className="w-24 py-1 font-bold">
              Week of
            </th>
            {log.weeks.map((begin, i) => (
              <th key={begin} scope="col" className={`py-1 pl-2 font-normal ${fits(i)}`}>
                {i === log.weeks.length - 1 ? 'this week' : dayAndMonth(begin)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {learners.map((l) => (
            <tr key={l.id} className="border-t border-line">
              <th scope="row" className="truncate text-left font-normal">
                <TextLink to={`/classes/${id}/learners/${l.id}`}>{l.nickname}</TextLink>
              </th>
              {l.weeks.map((minutes, i) => (
                <td key={log.weeks[i]} className={`py-0.5 pl-2 ${fits(i)}`}>
                  <span
                    className="block h-1.5 rounded-r-sm bg-spruce print:border print:border-ink"
                    style={{ width: `${Math.round((minutes / most) * 100)}%` }}
                  />
                  <span className={minutes === 0 ? 'text-soft' : ''}>{minutes || '–'}</span>
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-1 text-sm text-soft">
        Days of rest are good days. A few minutes with breaks beat one long stint.
      </p>
    </section>
  )
}

/** Of whom no minutes came: that alone, for there are many reasons. */
function Quiet({ id, quiet }: { id: number; quiet: ClassLog['quiet'] }) {
  return (
    <section aria-labelledby="quiet">
      <h2 id="quiet" className="mb-1 text-xl">
        No minutes in the last seven days
      </h2>
      {quiet.length === 0 ? (
        <p>Minutes have come from everybody.</p>
      ) : (
        <>
          <ul className="flex flex-wrap gap-x-5">
            {quiet.map((l) => (
              <li key={l.id} className="whitespace-nowrap">
                <TextLink to={`/classes/${id}/learners/${l.id}`}>{l.nickname}</TextLink>{' '}
                <span className="text-sm text-soft">{l.words}</span>
              </li>
            ))}
          </ul>
          <p className="text-sm text-soft">Perhaps they played without the phone, or had a full week.</p>
        </>
      )}
    </section>
  )
}

/** What some need help with; what most need comes first. */
function Help({ id, help }: { id: number; help: ClassLog['help'] }) {
  return (
    <section aria-labelledby="help">
      <h2 id="help" className="mb-1 text-xl">
        Who needs help with what
      </h2>
      {help.length === 0 && <p>No mistake has become a habit, and nothing is past its day.</p>}
      <dl className="grid gap-x-8 md:grid-cols-[minmax(0,2fr)_minmax(0,3fr)]">
        {help.map((h) => (
          <div
            key={`${h.tuneId ?? ''} ${h.what}`}
            className="grid grid-cols-subgrid gap-y-0.5 border-t border-line py-1.5 md:col-span-2"
          >
            <dt>
              {h.tuneId === null ? (
                <span className="font-bold">{h.what}</span>
              ) : (
                <TextLink to={`/tunes/${h.tuneId}`}>{h.what}</TextLink>
              )}
              <span className="block text-sm text-soft">{h.tuneId === null ? h.advice : 'past its day'}</span>
            </dt>
            <dd className="flex flex-wrap gap-x-5">
              {h.learners.map((l) => (
                <span key={l.id} className="whitespace-nowrap">
                  <TextLink to={`/classes/${id}/learners/${l.id}`}>{l.nickname}</TextLink>{' '}
                  <span className="text-sm text-soft">{l.words}</span>
                </span>
              ))}
            </dd>
          </div>
        ))}
      </dl>
    </section>
  )
}
