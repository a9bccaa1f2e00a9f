import { useHistoryKeys } from '../history/useHistoryKeys'
import { useState } from 'react'
import { useParams } from 'react-router'
import { Learned } from '../classes'
import { useClass, useForClass } from '../register/queries'
import { Asked } from '../ui/Asked'
import { Button } from '../ui/Button'
import { Field } from '../ui/Field'
import { Figure } from '../ui/Figure'
import { Page } from '../ui/Page'
import { TextButton, TextLink } from '../ui/TextLink'
import { AddToLesson } from './AddToLesson'
import { LessonTimes } from './LessonTimes'
import { RunSheet } from './RunSheet'
import { tuneOf, useLesson, type Lesson } from './queries'
import { putBack } from './steps'
import { useLessonEdit, type LessonEdit } from './useLessonEdit'
import { weekdayOf } from '../calendar/days'
import { LIMITS } from '../api/limits'

/** One lesson: its run-sheet, to change before and to tick while it is taught. */
export function LessonScreen() {
  const { class: classId, id } = useParams()
  return <OneLesson key={`${classId}/${id}`} classId={Number(classId)} id={Number(id)} />
}

function OneLesson({ classId, id }: { classId: number; id: number }) {
  const asked = useLesson(classId, id)
  const edit = useLessonEdit(classId, id)
  const one = useClass(classId).data
  const lesson = asked.data
  useHistoryKeys(edit)
  return (
    <Page
      title={lesson ? weekdayOf(lesson.day) : 'Lesson'}
      tab={lesson ? `Lesson of ${weekdayOf(lesson.day)}` : 'Lesson'}
      aside={lesson?.isTaught && <span className="text-lg text-soft">taught</span>}
      back={{ to: '/lesson', words: 'Lessons' }}
      subtitle={one?.summary.name ?? 'The class'}
      actions={lesson && <Settings lesson={lesson} edit={edit} />}
    >
      <Asked of={asked}>
        {lesson && (
          <>
            <LessonTimes lesson={lesson} edit={edit} />
            <RunSheet lesson={lesson} classId={classId} edit={edit} />
            <AddToLesson edit={edit} />
            <LeftOut lesson={lesson} edit={edit} />
            <Taught lesson={lesson} classId={classId} edit={edit} />
          </>
        )}
      </Asked>
    </Page>
  )
}

function Settings({ lesson, edit }: { lesson: Lesson; edit: LessonEdit }) {
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
      <Field label="Lesson of" beside>
        <Figure
          label="Lesson of, minutes"
          size="small"
          width="w-16"
          least={LIMITS.shortestLesson}
          most={LIMITS.longestLesson}
          value={lesson.minutes}
          onChange={(minutes) => edit.edit((d) => ({ ...d, minutes }))}
        />
        min
      </Field>
      <Field label="Talk" beside>
        <Figure
          label="Talk, seconds a thing"
          size="small"
          width="w-16"
          least={0}
          most={LIMITS.mostTalkSeconds}
          value={lesson.talkSeconds}
          onChange={(talkSeconds) => edit.edit((d) => ({ ...d, talkSeconds }))}
        />
        s a thing
      </Field>
      <Button size="small" onClick={edit.undo}>
        Undo
      </Button>
      <TextLink to="print">Print</TextLink>
      <TextLink to="missed">For one who missed it</TextLink>
    </div>
  )
}

/** Nothing is dropped: what is left out waits here. */
function LeftOut({ lesson, edit }: { lesson: Lesson; edit: LessonEdit }) {
  if (lesson.left.length === 0) return null
  return (
    <section className="mt-6">
      <h2 className="text-lg">Left out</h2>
      <ul>
        {lesson.left.map((s) => (
          <li key={s.step.id} className="flex items-baseline gap-4 border-b border-line py-1 text-said">
            <span className="min-w-0 flex-1">
              {s.title} <span className="text-soft">{s.bars}</span>
            </span>
            <span className="text-sm text-soft">{s.time}</span>
            <Button size="inline" onClick={() => edit.edit(putBack(s.step.id))}>
              Put back
            </Button>
          </li>
        ))}
      </ul>
    </section>
  )
}

/** The lesson is kept as it was taught; a tune at its tempo may be marked as learned. */
function Taught({ lesson, classId, edit }: { lesson: Lesson; classId: number; edit: LessonEdit }) {
  const forClass = useForClass(classId)
  const [learning, setLearning] = useState<number | null>(null)
  const done = lesson.steps.filter((s) => s.step.reached).length
  const reached = lesson.steps
    .filter((s) => s.step.reached && s.step.part === 'atTempo')
    .flatMap((s) => tuneOf(lesson, s.step) ?? [])
  return (
    <section className="mt-6 mb-8 border-t border-line pt-4">
      {lesson.isTaught ? (
        <p>
          Kept as taught. What was reached is known when the next lesson is planned.{' '}
          <TextButton inSentence onClick={() => edit.edit((d) => d, false)}>
            Not taught yet
          </TextButton>
        </p>
      ) : (
        <div className="flex flex-wrap items-center gap-4">
          <Button kind="go" onClick={() => edit.edit((d) => d, true)}>
            Keep as taught
          </Button>
          <p className="text-sm text-soft">
            {done === 0 ? 'Tick above what was reached' : `${done} of ${lesson.steps.length} steps are ticked`}; the
            next plan begins from there.
          </p>
        </div>
      )}
      {reached.length > 0 && (
        <ul className="mt-3">
          {reached.map((t) => (
            <li key={t.id}>
              <b>{t.title}</b> came to its tempo.{' '}
              {t.id != null && (
                <TextButton
                  onClick={() => {
                    forClass()
                    setLearning(t.id)
                  }}
                >
                  Mark it as learned …
                </TextButton>
              )}
            </li>
          ))}
        </ul>
      )}
      {learning !== null && <Learned tuneId={learning} onClose={() => setLearning(null)} />}
    </section>
  )
}
