import { Button } from '../ui/Button'
import type { Lesson } from './queries'
import { fewerRepeats, leftOut, withBreak } from './steps'
import type { LessonEdit } from './useLessonEdit'

/** The plan against the lesson’s length, what could be left out where it is too long, and care for the hands. */
export function LessonTimes({ lesson, edit }: { lesson: Lesson; edit: LessonEdit }) {
  const part = Math.min(1, lesson.seconds / (lesson.minutes * 60))
  return (
    <div className="mt-3">
      <div
        role="img"
        aria-label={`Planned: ${lesson.total} of ${lesson.minutes}`}
        className="h-2.5 overflow-hidden rounded-full bg-line"
      >
        <div
          className={`h-full ${lesson.over ? 'bg-brick' : 'bg-spruce'}`}
          style={{ width: `${Math.round(part * 100)}%` }}
        />
      </div>
      <div className="relative mt-1">
        <p aria-live="polite" className="flex flex-wrap gap-x-3">
          <span>
            <b>{lesson.total}</b> planned of {lesson.minutes}
          </span>
          {lesson.over && <b className="text-brick">{lesson.over} too long</b>}
          {lesson.spare && <span className="text-soft">{lesson.spare} to spare</span>}
        </p>
        {edit.isSaving && !edit.isUnanswered && (
          // Told only where it takes long enough to be read; it moves nothing.
          <span
            data-testid="saving"
            className="absolute right-0 bottom-0 bg-paper pl-2 text-soft opacity-100 transition-opacity delay-500 starting:opacity-0"
          >
            Saving …
          </span>
        )}
      </div>
      <p role="alert" className="mt-1 border-l-4 border-brick pl-3 text-said empty:hidden">
        {edit.isUnanswered &&
          'Coppia does not answer. Your changes wait on this page and are tried again by themselves.'}
      </p>
      {lesson.offers.length > 0 && (
        <ul aria-label="To save time" className="mt-1 border-l-4 border-brick pl-3">
          {lesson.offers.map((o) => (
            <li key={o.kind} className="flex flex-wrap items-center gap-3 py-0.5 text-said">
              {o.text}
              <Button
                size="inline"
                onClick={() => edit.edit(o.kind === 'fewerRepeats' ? fewerRepeats(o.steps) : leftOut(o.steps))}
              >
                Take it
              </Button>
            </li>
          ))}
        </ul>
      )}
      {lesson.care && (
        <p className="mt-1 flex flex-wrap items-center gap-3 border-l-4 border-maple pl-3 text-said">
          {lesson.care}
          <Button size="inline" onClick={() => edit.edit(withBreak)}>
            Put a break in
          </Button>
        </p>
      )}
    </div>
  )
}
