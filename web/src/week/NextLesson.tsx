import { dayInWords, today } from '../calendar/days'
import { useLesson, useLessons } from '../lesson'
import { Asked } from '../ui/Asked'
import { TextLink } from '../ui/TextLink'

/** So many steps are what one begins with. */
const FIRST_STEPS = 3

/** The next lesson, how it begins, and its caller. */
export function NextLesson({ id }: { id: number }) {
  const lessons = useLessons(id)
  const next = lessons.data?.lessons
    .filter((l) => !l.isTaught && l.day >= today())
    .toSorted((a, b) => a.day.localeCompare(b.day))[0]
  return (
    <section aria-labelledby="next-lesson">
      <h2 id="next-lesson" className="mb-1 text-xl">
        {next ? `Next lesson: ${dayInWords(next.day)}` : 'Next lesson'}
      </h2>
      <Asked of={lessons}>
        {next && <Begins id={id} lesson={next.id} />}
        {lessons.data && !next && (
          <p>
            No lesson is planned.{' '}
            <TextLink inSentence to="/lesson">
              Plan one
            </TextLink>{' '}
            from what is set and what the class has reached.
          </p>
        )}
      </Asked>
    </section>
  )
}

function Begins({ id, lesson: number }: { id: number; lesson: number }) {
  const asked = useLesson(id, number)
  const lesson = asked.data
  const tune = lesson?.tunes.find((t) => t.id != null)?.id
  return (
    <Asked of={asked}>
      {lesson && (
        <>
          <p className="text-said text-soft">
            {lesson.total} planned of {lesson.minutes} minutes. It begins with:
          </p>
          <ol className="my-1">
            {lesson.steps.slice(0, FIRST_STEPS).map((s) => (
              <li key={s.step.id} className="flex gap-x-4 border-b border-line py-1.5">
                <span className="min-w-0 flex-1">
                  <span className="font-bold">{s.title}</span>
                  <span className="block text-said text-soft">{s.detail}</span>
                </span>
                <span className="shrink-0 text-right">{s.time}</span>
              </li>
            ))}
          </ol>
        </>
      )}
      <p className="flex flex-wrap gap-x-5">
        <TextLink to={`/lesson/${id}/${number}`}>The whole lesson</TextLink>
        {tune !== undefined && tune !== null && <TextLink to={`/tunes/${tune}/caller`}>Its caller</TextLink>}
        <TextLink to={`/lesson/${id}/${number}/print`}>Print it</TextLink>
      </p>
    </Asked>
  )
}
