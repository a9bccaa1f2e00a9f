import { useCallback, useState, type ReactNode } from 'react'
import { useNavigate, useParams } from 'react-router'
import { useInstruments } from '../api/instruments'
import { EditLearner } from './EditLearner'
import { useClass } from '../register/queries'
import { FileLink } from '../ui/FileLink'
import { Asked } from '../ui/Asked'
import { Button } from '../ui/Button'
import { Page } from '../ui/Page'
import { TextLink } from '../ui/TextLink'
import { CardBoxes } from './CardBoxes'
import { Chart, type Plot } from './Chart'
import { LearnerNotes } from './LearnerNotes'
import { PaperMinutes } from './PaperMinutes'
import { useLearnerLog, type LearnerLog } from './queries'
import { dayAndMonth, noon } from '../calendar/days'

const SPRUCE = '#2e5e4e'
const MAPLE = '#8a5118'
const NARROW_PX = 560
/** Eight weeks, and what stands beside them. */
const DAYS = 62

/** How one learner is doing at home. */
export function LearnerLogScreen() {
  const params = useParams()
  const [id, learner] = [Number(params.id), Number(params.learner)]
  return <OneLearner key={learner} id={id} learner={learner} />
}

function OneLearner({ id, learner }: { id: number; learner: number }) {
  const log = useLearnerLog(id, learner)
  const of = useClass(id)
  const instruments = useInstruments().data
  const [editing, setEditing] = useState(false)
  const navigate = useNavigate()
  const seen = log.data
  const record = `/api/classes/${id}/learners/${learner}/record`
  return (
    <Page
      title={seen?.learner.nickname ?? 'A learner'}
      back={{ to: `/classes/${id}`, words: of.data?.summary.name ?? 'The class' }}
      subtitle={
        seen && `${instruments?.find((i) => i.id === seen.learner.instrument)?.name ?? ''} · ${seen.learner.size}`
      }
      actions={
        seen && (
          <>
            <FileLink href={`${record}.csv`}>Save as a table (CSV)</FileLink>
            <FileLink href={`${record}.json`}>Save the whole record</FileLink>
            <Button size="small" onClick={() => setEditing(true)}>
              Change or delete
            </Button>
          </>
        )
      }
    >
      <Asked of={log}>
        {seen && (
          <div className="flex flex-col gap-6">
            {seen.why.length > 0 && <p className="border-l-4 border-maple pl-3">{seen.why.join(' ')}</p>}
            <Minutes log={seen}>
              <PaperMinutes id={id} learner={learner} />
            </Minutes>
            <Tempos tunes={seen.tunes} />
            <div className="grid gap-x-12 gap-y-6 lg:grid-cols-2">
              <CardBoxes log={seen} />
              <div className="flex flex-col gap-6">
                <Habits log={seen} />
                <LearnerNotes notes={seen.notes} />
              </div>
            </div>
            {editing && (
              <EditLearner
                classId={id}
                learner={seen.learner}
                onClose={() => setEditing(false)}
                onDeleted={() => void navigate(`/classes/${id}`)}
              />
            )}
          </div>
        )}
      </Asked>
    </Page>
  )
}

/** Minutes day by day; a day of rest has no bar. */
function Minutes({ log, children }: { log: LearnerLog; children: ReactNode }) {
  const { days, weeks, from, today } = log
  const total = days.reduce((sum, d) => sum + d.minutes, 0)
  const draw = useCallback(
    (plot: Plot, width: number) => ({
      marginLeft: 34,
      marginBottom: 26,
      x: {
        type: 'time' as const,
        domain: [noon(from), noon(today)],
        label: null,
        // Where there is little room every second week is named.
        ticks: weeks.filter((_, i) => width > NARROW_PX || i % 2 === 1).map((w) => noon(w.day)),
        tickFormat: (d: Date) => dayAndMonth(localDay(d)),
      },
      y: { label: null, grid: true, ticks: 4, domain: [0, Math.max(10, ...days.map((d) => d.minutes))] },
      marks: [
        plot.ruleX(days, {
          x: (d: { day: string }) => noon(d.day),
          y1: 0,
          y2: 'minutes',
          stroke: SPRUCE,
          strokeWidth: Math.min(7, (width / DAYS) * 0.7),
        }),
        plot.ruleY([0], { stroke: MAPLE }),
      ],
    }),
    [days, weeks, from, today],
  )
  return (
    <section aria-labelledby="minutes">
      <h2 id="minutes" className="text-xl">
        Minutes a day
      </h2>
      {days.length === 0 ? (
        <p>No minutes have come in these eight weeks.</p>
      ) : (
        <>
          <p className="text-said">
            {total} {total === 1 ? 'minute' : 'minutes'} on {days.length} {days.length === 1 ? 'day' : 'days'} in eight
            weeks; {weeks.at(-1)?.minutes ?? 0} this week, {weeks.at(-2)?.minutes ?? 0} the week before.
          </p>
          <Chart
            words={`Minutes by week: ${weeks.map((w) => `${dayAndMonth(w.day)} ${w.minutes}`).join(', ')}.`}
            height={170}
            draw={draw}
          />
        </>
      )}
      {children}
    </section>
  )
}

const two = (n: number) => String(n).padStart(2, '0')
const localDay = (at: Date) => `${at.getFullYear()}-${two(at.getMonth() + 1)}-${two(at.getDate())}`

/** How fast each tune goes, and how fast it is to go. */
function Tempos({ tunes }: { tunes: LearnerLog['tunes'] }) {
  return (
    <section aria-labelledby="tempos">
      <h2 id="tempos" className="mb-1 text-xl">
        Tempo reached
      </h2>
      {tunes.length === 0 && <p>No tune is set, and no tempo was told.</p>}
      <ul className="grid grid-cols-1 gap-x-8 gap-y-4 sm:grid-cols-2 lg:grid-cols-4">
        {tunes.map((t) => (
          <li key={t.id}>
            <TextLink to={`/tunes/${t.id}`}>{t.title}</TextLink>
            <span className="block text-said">
              {t.best === null ? 'nothing told yet' : `reached ${t.best}`}
              {t.goal !== null && (t.best === null ? `; to reach: ${t.goal}` : ` of ${t.goal}`)}
            </span>
            {t.steps.length > 1 && <Climb tune={t} />}
          </li>
        ))}
      </ul>
    </section>
  )
}

function Climb({ tune }: { tune: LearnerLog['tunes'][number] }) {
  const { steps, goal } = tune
  const draw = useCallback(
    (plot: Plot) => {
      const all = [...steps.map((s) => s.tempo), ...(goal === null ? [] : [goal])]
      return {
        marginLeft: 34,
        marginRight: 12,
        marginBottom: 24,
        x: {
          type: 'point' as const,
          label: null,
          domain: steps.map((s) => s.day),
          ticks: [steps[0]?.day, steps.at(-1)?.day],
          tickFormat: (day: string) => (day === steps[0]?.day || day === steps.at(-1)?.day ? dayAndMonth(day) : ''),
        },
        y: {
          label: null,
          ticks: [...new Set(all)],
          tickFormat: 'd',
          domain: [Math.min(...all) - 4, Math.max(...all) + 4],
        },
        marks: [
          ...(goal === null ? [] : [plot.ruleY([goal], { stroke: MAPLE, strokeDasharray: '4 3' })]),
          plot.line(steps, { x: 'day', y: 'tempo', stroke: SPRUCE, strokeWidth: 2, curve: 'step-after' }),
          plot.dot(steps, { x: 'day', y: 'tempo', fill: SPRUCE, r: 3 }),
        ],
      }
    },
    [steps, goal],
  )
  return <Chart words={steps.map((s) => `${dayAndMonth(s.day)} at ${s.tempo}`).join(', ')} height={110} draw={draw} />
}

/** Three mistakes of a kind are a habit. */
function Habits({ log }: { log: LearnerLog }) {
  return (
    <section aria-labelledby="habits">
      <h2 id="habits" className="mb-1 text-xl">
        Mistakes that come again
      </h2>
      {log.habits.length === 0 && <p>None. One mistake of a kind is a slip; three in four weeks stand here.</p>}
      <ul>
        {log.habits.map((h) => (
          <li key={h.what} className="border-t border-line py-1.5 first:border-t-0">
            <span className="font-bold">{h.what}</span>, {h.times} times
            {h.at.length > 0 && `: ${h.at.join(', ')}`}
            <span className="block text-sm text-soft">{h.advice}</span>
          </li>
        ))}
      </ul>
    </section>
  )
}
