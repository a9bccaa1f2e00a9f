import { ChevronDown } from 'lucide-react'
import { useState } from 'react'
import { useNavigate, useParams } from 'react-router'
import type { ClassDetail } from '../api/client'
import { AskFirst, useLogbook } from '../logbook'
import { Asked } from '../ui/Asked'
import { MoreItem, MoreMenu } from '../ui/MoreMenu'
import { Page } from '../ui/Page'
import { TextButton, TextLink } from '../ui/TextLink'
import { ClassSettings } from './ClassSettings'
import { DeleteClass } from './DeleteClass'
import { EndOfYear } from './EndOfYear'
import { Learners } from './Learners'
import { WorkList } from './WorkList'
import { useClass, useCurrentClass, useWithinReach } from '../register/queries'
import { sectionsInWords } from './words'

type Open = 'settings' | 'year' | 'delete' | null

/** One class: what each section can play, what comes next, and who is in it. */
export function ClassScreen() {
  const id = Number(useParams().id)
  return <OneClass key={id} id={id} />
}

function OneClass({ id }: { id: number }) {
  const of = useClass(id)
  const log = useLogbook(id)
  const [current, choose] = useCurrentClass()
  const [open, setOpen] = useState<Open>(null)
  const navigate = useNavigate()
  const close = () => setOpen(null)
  const one = of.data
  return (
    <Page
      title={one?.summary.name ?? 'Class'}
      subtitle={one && `${sectionsInWords(one.summary.sections)} · lessons of ${one.summary.lessonMinutes} minutes`}
      actions={
        one && (
          <>
            {current?.id === id ? (
              <span className="text-sm text-soft">Everything is shown for this class.</span>
            ) : (
              <TextButton onClick={() => choose(id)}>Show everything for this class</TextButton>
            )}
            <TextLink to={`/classes/${id}/plan`}>What it knows</TextLink>
            <TextLink to={`/classes/${id}/logbook`}>Logbook</TextLink>
            <TextLink to={`/classes/${id}/pieces`}>Pieces</TextLink>
            <MoreMenu
              end
              button={
                <>
                  More <ChevronDown size={15} />
                </>
              }
            >
              <MoreItem onClick={() => setOpen('settings')}>Name, lesson, house style</MoreItem>
              <MoreItem onClick={() => setOpen('year')}>End of the year: move up</MoreItem>
              <MoreItem href={`/api/classes/${id}/known.json`}>Save what it knows</MoreItem>
              <MoreItem href={`/api/classes/${id}/record.json`}>Save the whole record</MoreItem>
              <MoreItem href={`/api/classes/${id}/record.csv`}>Save as a table (CSV)</MoreItem>
              <MoreItem grave onClick={() => setOpen('delete')}>
                Delete the class
              </MoreItem>
            </MoreMenu>
          </>
        )
      }
    >
      <Asked of={of}>
        {one && (
          <div className="flex flex-col gap-6">
            <div className="grid gap-x-12 gap-y-6 lg:grid-cols-2">
              <div className="flex flex-col gap-6">
                <Plays plays={one.plays} id={id} />
                <Asked of={log}>{log.data && <AskFirst id={id} ask={log.data.ask} />}</Asked>
              </div>
              <WithinReach id={id} instrument={one.plays[0]?.instrument} onOpen={() => choose(id)} />
            </div>
            <WorkList one={one} />
            <Learners id={id} learners={one.learners} />
            {open === 'settings' && <ClassSettings summary={one.summary} onClose={close} />}
            {open === 'year' && (
              <EndOfYear one={one} onClose={close} onMoved={(to) => void navigate(`/classes/${to}`)} />
            )}
            {open === 'delete' && (
              <DeleteClass summary={one.summary} onClose={close} onDeleted={() => void navigate('/classes')} />
            )}
          </div>
        )}
      </Asked>
    </Page>
  )
}

/** What each section can play: its strings, and the fingers on each. */
function Plays({ plays, id }: { plays: ClassDetail['plays']; id: number }) {
  return (
    <section aria-labelledby="plays">
      <h2 id="plays" className="mb-2 text-xl">
        What each section can play
      </h2>
      {plays.every((p) => p.strings.length === 0) && (
        <p>
          Nothing yet. <TextLink to={`/classes/${id}/plan`}>Say what it knows</TextLink>
        </p>
      )}
      <dl className="grid grid-cols-[max-content_minmax(0,1fr)] gap-x-5">
        {plays
          .filter((p) => p.strings.length > 0)
          .map((p) => (
            <div
              key={p.instrument}
              className="col-span-2 grid grid-cols-subgrid border-t border-line py-1.5 first:border-t-0"
            >
              <dt className="font-bold">{p.name}</dt>
              <dd className="flex flex-wrap gap-x-5 tabular-nums">
                {p.strings.map((s) => {
                  const [letter, ...fingers] = s.split(' ')
                  return (
                    <span key={s} className="whitespace-nowrap">
                      <span className="font-head font-semibold text-maple-dark">{letter}</span> {fingers.join(' ')}
                    </span>
                  )
                })}
              </dd>
            </div>
          ))}
      </dl>
    </section>
  )
}

/** Tunes that bring one or two new things, those with just one first; each with the sheet that prepares it. */
function WithinReach({ id, instrument, onOpen }: { id: number; instrument: string | undefined; onOpen: () => void }) {
  const within = useWithinReach(id)
  const tunes = within.data?.tunes ?? []
  const working = within.data?.working
  const groups = [
    { words: 'Just one new thing', tunes: tunes.filter((t) => t.fit?.count === 1) },
    { words: 'Two new things', tunes: tunes.filter((t) => t.fit?.count === 2) },
  ].filter((g) => g.tunes.length > 0)
  return (
    <section aria-labelledby="within">
      <h2 id="within" className="mb-2 text-xl">
        Within reach next
      </h2>
      <Asked of={within}>
        {working && (
          <p role="status" className="mb-1 text-sm text-soft">
            Looking through the tunes: {working.done} of {working.of}.
          </p>
        )}
        {within.data && tunes.length === 0 && !working && (
          <p>No tune of the library brings just one or two new things.</p>
        )}
        {/* What is opened from here is shown for this class. */}
        <div
          onClickCapture={(e) => {
            if (e.target instanceof Element && e.target.closest('a')) onOpen()
          }}
        >
          {groups.map((g) => (
            <div key={g.words} className="mb-2">
              <h3 className="font-body text-sm font-bold text-soft">{g.words}</h3>
              <ul>
                {g.tunes.map((t) => (
                  <li key={t.id} className="border-t border-line py-1 first:border-t-0">
                    <span className="flex flex-wrap items-baseline justify-between gap-x-4">
                      <TextLink to={`/tunes/${t.id}${instrument ? `?for=${instrument}` : ''}`}>{t.title}</TextLink>
                      {instrument && (
                        <span className="text-sm">
                          <TextLink to={`/exercises?first=${t.id}&for=${instrument}`}>A sheet for it</TextLink>
                        </span>
                      )}
                    </span>
                    <span className="block text-said">{t.fit?.new.join(' · ')}</span>
                    {t.fit?.care && <span className="block text-sm text-soft">{t.fit.care}</span>}
                  </li>
                ))}
              </ul>
            </div>
          ))}
        </div>
      </Asked>
    </section>
  )
}
