import { useLayoutEffect, useRef, useState } from 'react'
import { useParams } from 'react-router'
import { useClass } from '../register/queries'
import { PaperSheet } from '../ui/PaperSheet'
import { Asked } from '../ui/Asked'
import { Screen } from '../ui/Screen'
import { Strip } from '../ui/Strip'
import { TextLink } from '../ui/TextLink'
import { clock } from './RunSheet'
import { useLesson, type Lesson } from './queries'
import { PrintEnd } from '../ui/PrintEnd'
import { weekdayOf } from '../calendar/days'

/** A page of A4 between margins of 12 mm, in CSS pixels. */
const PAGE = { width: 700, height: 1020 }

/** The run-sheet on one page, with boxes to tick. */
export function LessonPrint() {
  const { class: classId, id } = useParams()
  const asked = useLesson(Number(classId), Number(id))
  const one = useClass(Number(classId)).data
  const lesson = asked.data
  return (
    <Screen title={lesson ? `Run-sheet of ${weekdayOf(lesson.day)}` : 'Run-sheet'}>
      <Strip lead={<TextLink to={`/lesson/${classId}/${id}`}>Back to the lesson</TextLink>}>
        <PrintEnd ready={lesson !== undefined} />
      </Strip>
      <Asked of={asked}>
        {lesson && (
          <PaperSheet widthPx={PAGE.width} testId="lesson-sheet">
            <OnePage lesson={lesson} className={one?.summary.name ?? ''} />
          </PaperSheet>
        )}
      </Asked>
    </Screen>
  )
}

/** How high the page is at a size, shown at that size. */
function heightAt(page: HTMLElement, size: number) {
  page.style.width = `${PAGE.width / size}px`
  return page.scrollHeight * size
}

/** The largest size, 1 at most, at which the page is no higher than paper; the smaller, the wider its lines. */
function fitting(height: (size: number) => number) {
  if (height(1) <= PAGE.height) return 1
  let [small, large] = [SMALLEST, 1]
  for (let i = 0; i < HALVINGS; i++) {
    const middle = (small + large) / 2
    if (height(middle) <= PAGE.height) small = middle
    else large = middle
  }
  return small
}

const SMALLEST = 0.3
const HALVINGS = 7

/** However many steps there are, they go on one page. */
function OnePage({ lesson, className }: { lesson: Lesson; className: string }) {
  const sheet = useRef<HTMLDivElement>(null)
  const [fit, setFit] = useState(1)
  useLayoutEffect(() => {
    const page = sheet.current
    if (page) setFit(fitting((size) => heightAt(page, size)))
  }, [lesson])
  return (
    <div style={{ zoom: fit }} data-testid="run-sheet">
      <div ref={sheet} style={{ width: PAGE.width / fit }}>
        <header className="mb-2 flex items-baseline justify-between border-b-2 border-ink">
          <h1 className="text-2xl">{className}</h1>
          <p>
            {weekdayOf(lesson.day)} · {lesson.total} of {lesson.minutes}
          </p>
        </header>
        <table className="w-full text-sm">
          <tbody>
            {lesson.steps.map((s) => (
              <tr key={s.step.id} className="border-b border-line align-baseline">
                <td className="w-6">
                  <span className="inline-block size-3 border border-ink" />
                </td>
                <td className="w-12 pr-3 text-right text-soft">{clock(s.starts)}</td>
                <td className="py-0.5">
                  <b>{s.title}</b> <span className="text-soft">{s.detail}</span>
                </td>
                <td className="w-24 pl-3 text-right text-soft">
                  {s.step.minutes == null && s.step.beats > 0 && `${s.step.repeats} × at ${s.step.tempo}`}
                </td>
                <td className="w-24 pl-3 text-right">{s.time}</td>
              </tr>
            ))}
          </tbody>
        </table>
        {lesson.left.length > 0 && (
          <p className="mt-2 text-sm">
            <b>Left out:</b> {lesson.left.map((s) => s.title).join('; ')}.
          </p>
        )}
        {lesson.care && <p className="mt-1 text-sm">{lesson.care}</p>}
      </div>
    </div>
  )
}
