import { useQuery } from '@tanstack/react-query'
import { useParams } from 'react-router'
import { answer, api } from '../api/client'
import { Asked } from '../ui/Asked'
import { Screen } from '../ui/Screen'
import { TextLink } from '../ui/TextLink'
import { PracticeButton } from './PracticeButton'
import { LeaveDevice } from './LeaveDevice'
import { useLearn, type Learn, type LearnWork } from './queries'
import { told, useReports } from './reports'
import { TellTeacher } from './TellTeacher'
import { useOffline } from './useOffline'
import { WhatWaits } from './WhatWaits'
import { dayInWords, inDays, today, weekdayAlone } from '../calendar/days'

/** A learner's own page: what is set for the week, and the minutes. */
export function LearnScreen() {
  const link = useParams().link ?? ''
  const learn = useLearn(link)
  const { waiting, tell, tellDone } = useReports()
  const seen = learn.data
  useOffline(link, seen)
  return (
    <Screen
      title={seen ? `${seen.nickname}’s week` : 'Your week'}
      className="mx-auto flex min-h-dvh w-full max-w-xl flex-col gap-6 px-4 py-5"
    >
      <header>
        <h1 className="text-3xl">{seen ? `Hello, ${seen.nickname}` : 'Your week'}</h1>
        {seen && (
          <p className="text-soft">
            {seen.className} · {seen.instrument.name}
          </p>
        )}
      </header>
      <Asked of={learn}>
        {seen && (
          <>
            <PracticeButton link={link} onMinutes={(minutes) => tell('practice', { minutes })} />
            <Week
              link={link}
              work={seen.work}
              done={new Map(told(waiting, 'done').map((d) => [d.work, d.done]))}
              onDone={tellDone}
            />
            <Minutes days={seen.days} waiting={told(waiting, 'practice')} />
            <WhatWaits seen={seen} />
            <TellTeacher
              choices={seen.notes}
              tunes={seen.work}
              onSend={(note, tuneId) => tell('notes', { note, tuneId })}
            />
            <Booklet link={link} />
            <LeaveDevice link={link} />
          </>
        )}
      </Asked>
    </Screen>
  )
}

/** What the class has written, for all to play. */
function Booklet({ link }: { link: string }) {
  const pieces = useQuery({
    queryKey: ['learn-pieces', link],
    queryFn: () => answer(api.GET('/api/learn/{link}/pieces', { params: { path: { link } } })),
    staleTime: 60_000,
  }).data
  if (!pieces || pieces.length === 0) return null
  return (
    <section aria-labelledby="booklet">
      <h2 id="booklet" className="mb-1 text-xl">
        Written by your class
      </h2>
      <ul>
        {pieces.map((p) => (
          <li key={p.id} className="flex items-baseline gap-3 border-b border-line py-1.5">
            <span className="min-w-0 flex-1">
              <TextLink to={`/learn/${link}/pieces/${p.id}`}>{p.title}</TextLink>
            </span>
            <span className="text-sm text-soft">{p.instrument}</span>
          </li>
        ))}
      </ul>
    </section>
  )
}

/** What is set, what is due first first. */
function Week({
  link,
  work,
  done,
  onDone,
}: {
  link: string
  work: readonly LearnWork[]
  /** What was said here and is not sent yet. */
  done: ReadonlyMap<number, boolean>
  onDone: (work: number, done: boolean) => void
}) {
  const day = today()
  const shown = work.filter((w) => w.due >= day || !(done.get(w.id) ?? w.done))
  return (
    <section aria-labelledby="week">
      <h2 id="week" className="mb-1 text-xl">
        This week
      </h2>
      {shown.length === 0 && <p>Nothing is set at the moment. Play what you like best.</p>}
      <ul>
        {shown.map((w) => {
          const isDone = done.get(w.id) ?? w.done
          return (
            <li key={w.id} className="flex items-center gap-3 border-b border-line py-2">
              <span className="min-w-0 flex-1">
                <TextLink to={`/learn/${link}/${wayTo(w)}`}>
                  <span className="font-head text-lg">{w.title}</span>
                </TextLink>
                <span className="block text-sm text-soft">
                  by {dayInWords(w.due)}
                  {w.tempo !== null && ` · at ${w.tempo}`}
                </span>
              </span>
              <button
                type="button"
                aria-pressed={isDone}
                onClick={() => onDone(w.id, !isDone)}
                className="min-h-11 shrink-0 rounded-md border border-line-dark bg-sheet px-3 font-bold aria-pressed:border-spruce aria-pressed:bg-spruce aria-pressed:text-paper"
              >
                {isDone ? 'Done' : 'Done?'}
                <span className="sr-only"> {w.title}</span>
              </button>
            </li>
          )
        })}
      </ul>
    </section>
  )
}

const wayTo = (w: LearnWork) =>
  w.kind === 'tune'
    ? `tunes/${w.tuneId}`
    : w.kind === 'sheet'
      ? `sheets/${w.sheetId}`
      : w.kind === 'writing'
        ? `desk/${w.id}`
        : 'cards'

const DAYS_SHOWN = 7

/** Minutes of the last seven days; a day of rest is a good day too. */
function Minutes({ days, waiting }: { days: Learn['days']; waiting: readonly { at: string; minutes: number }[] }) {
  const of = new Map(days.map((d) => [d.day, d.minutes]))
  for (const { at, minutes } of waiting) of.set(at.slice(0, 10), (of.get(at.slice(0, 10)) ?? 0) + minutes)
  const last = Array.from({ length: DAYS_SHOWN }, (_, n) => {
    const day = inDays(n - DAYS_SHOWN + 1)
    return { day, name: weekdayAlone(day) }
  })
  return (
    <section aria-labelledby="minutes">
      <h2 id="minutes" className="mb-1 text-xl">
        Your minutes
      </h2>
      <ol className="grid grid-cols-7 text-center">
        {last.map(({ day, name }) => (
          <li key={day}>
            <span className="block text-sm text-soft">{name}</span>
            <span className="font-bold">{of.get(day) || 'rest'}</span>
          </li>
        ))}
      </ol>
    </section>
  )
}
