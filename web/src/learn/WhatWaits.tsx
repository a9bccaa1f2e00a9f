import { Button } from '../ui/Button'
import { dayInWords } from '../calendar/days'
import { theOutbox, type Waiting } from '../offline/outbox'
import { useOutbox } from '../offline/useOutbox'
import { Refused } from '../ui/Said'
import { several } from '../ui/several'
import { DRAFT, type Draft } from './drafts'
import type { Learn } from './queries'
import { told } from './reports'

/** What is on this device only, and what the teacher’s Coppia would not take. */
export function WhatWaits({ seen }: { seen: Learn }) {
  const { waiting, way } = useOutbox()
  const toSend = waiting.filter((w) => w.refused === null)
  const refused = waiting.filter((w) => w.refused !== null)
  return (
    <>
      {toSend.length > 0 && (
        <div className="text-sm text-soft">
          <p role="status">
            {way === 'sending'
              ? 'This goes to your teacher just now.'
              : 'Some of this is on your phone only. It is sent as soon as the network is there.'}
          </p>
          <details>
            <summary className="min-h-11 cursor-pointer content-center font-bold text-spruce">
              {several(toSend.length, 'thing')}
            </summary>
            <ul className="list-disc pl-5">
              {inWords(toSend, seen).map((words) => (
                <li key={words}>{words}</li>
              ))}
            </ul>
          </details>
        </div>
      )}
      {refused.length > 0 && (
        <section aria-labelledby="refused">
          <h2 id="refused" className="mb-1 text-xl">
            Not taken
          </h2>
          <ul>
            {refused.map((w) => (
              <li key={`${w.kind} ${w.key}`} className="flex flex-col gap-2 border-b border-line py-2">
                <Refused>
                  {inWords([w], seen)[0]}: {w.refused}
                </Refused>
                <span className="flex gap-2">
                  <Button onClick={() => theOutbox().again(w)}>Send it again</Button>
                  <Button onClick={() => theOutbox().forget(w)}>Let it go</Button>
                </span>
              </li>
            ))}
          </ul>
        </section>
      )}
    </>
  )
}

/** What each is, in the learner’s words; answers to cards are counted. */
export function inWords(waiting: readonly Waiting[], seen: Learn): string[] {
  const title = (of: (w: Learn['work'][number]) => boolean) => seen.work.find(of)?.title ?? 'something set'
  const answers = told(waiting, 'answers').length
  return [
    ...told(waiting, 'practice').map((p) =>
      p.tempo === null || p.tempo === undefined
        ? `${several(p.minutes, 'minute')} on ${dayInWords(p.at.slice(0, 10))}`
        : `${title((w) => w.tuneId === p.tuneId)} at ${p.tempo}`,
    ),
    ...told(waiting, 'done').map((d) => `${title((w) => w.id === d.work)}: ${d.done ? 'done' : 'not done after all'}`),
    ...(answers > 0 ? [`${several(answers, 'answer')} to cards`] : []),
    ...told(waiting, 'notes').map((n) => `“${seen.notes.find((s) => s.note === n.note)?.words ?? n.note}”`),
    ...waiting.filter((w) => w.kind === DRAFT).map((w) => `Your piece for ${(w.value as Draft).title}`),
  ]
}
