import { Pin } from 'lucide-react'
import type { ReactNode } from 'react'
import { useForClass } from '../register/queries'
import { Figure } from '../ui/Figure'
import { MoreItem, MoreMenu } from '../ui/MoreMenu'
import { SortedList } from '../ui/SortedList'
import { TextLink } from '../ui/TextLink'
import { AtHome } from './AtHome'
import { tuneOf, type Lesson, type LessonStep } from './queries'
import { changed, leftOut, moved, nudged, placeOf } from './steps'
import type { LessonEdit } from './useLessonEdit'
import { LIMITS } from '../api/limits'

/** "0:00", "12:30". */
export function clock(minutes: number) {
  const seconds = Math.round(minutes * 60)
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`
}

/** The steps with their minutes: to drag, pin, leave out, repeat more or less, and tick while they are taught. */
export function RunSheet({ lesson, classId, edit }: { lesson: Lesson; classId: number; edit: LessonEdit }) {
  if (lesson.steps.length === 0)
    return <p className="mt-4">Nothing is planned yet. Add a tune, or a step of your own.</p>
  return (
    <SortedList
      label="Steps of the lesson"
      className="mt-3 border-t border-line"
      things={lesson.steps}
      idOf={(s) => s.step.id}
      nameOf={(s) => s.title}
      onMove={(id, before) => edit.edit(moved(id, before))}
    >
      {(s, handle) => <Row lesson={lesson} view={s} classId={classId} edit={edit} handle={handle} />}
    </SortedList>
  )
}

function Row({
  lesson,
  view,
  classId,
  edit,
  handle,
}: {
  lesson: Lesson
  view: LessonStep
  classId: number
  edit: LessonEdit
  handle: ReactNode
}) {
  const { step } = view
  const forClass = useForClass(classId)
  const place = placeOf(step, tuneOf(lesson, step)?.id ?? null, classId)
  return (
    <div className="flex items-start gap-x-3 py-1.5 max-md:flex-wrap">
      <label className="flex min-h-6 shrink-0 items-center max-md:min-h-11 max-md:min-w-11" title="Reached">
        <input
          type="checkbox"
          aria-label={`Reached: ${view.title}`}
          className="size-6 accent-spruce max-md:size-8"
          checked={step.reached ?? false}
          onChange={(e) => edit.edit(changed(step.id, { reached: e.target.checked }))}
        />
      </label>
      <span className="w-11 shrink-0 pt-0.5 text-right text-soft">{clock(view.starts)}</span>
      {handle}
      <div className="min-w-0 flex-1 max-md:basis-1/2">
        <p className={step.reached ? 'text-soft line-through decoration-line-dark' : 'font-bold'}>
          {view.title}
          {step.isPinned && <Pin size={13} className="ml-1.5 inline text-maple-dark" aria-label="pinned" />}
          {step.isKnown && <span className="ml-2 text-sm font-normal text-soft">known</span>}
        </p>
        <p className="text-sm text-soft empty:hidden">
          {step.part === 'home' ? <AtHome lesson={lesson} classId={classId} nothing={view.detail} /> : view.detail}
        </p>
      </div>
      <div className="flex shrink-0 items-start gap-x-3 max-md:w-full max-md:items-center max-md:justify-end">
        <span className="flex shrink-0 items-center justify-end gap-1.5 text-sm text-soft md:w-44">
          <Amount view={view} edit={edit} />
        </span>
        <span className="shrink-0 pt-0.5 text-right md:w-24">{view.time}</span>
        <span className="shrink-0 text-sm md:w-20">
          {place && (
            <TextLink to={place.to} onClick={forClass}>
              {place.words}
            </TextLink>
          )}
        </span>
        <span className="shrink-0 md:-mt-1">
          <MoreMenu button="More" label={`More for ${view.title}`} end>
            <MoreItem onClick={() => edit.edit(nudged(step.id, -1))}>Earlier</MoreItem>
            <MoreItem onClick={() => edit.edit(nudged(step.id, 1))}>Later</MoreItem>
            <MoreItem onClick={() => edit.edit(changed(step.id, { isPinned: !step.isPinned }))}>
              {step.isPinned ? 'Unpin' : 'Pin: it stays whatever is saved'}
            </MoreItem>
            {step.minutes == null ? (
              <MoreItem
                onClick={() =>
                  edit.edit(changed(step.id, { minutes: Math.max(0.5, Math.round(view.seconds / 30) / 2) }))
                }
              >
                Set the minutes by hand
              </MoreItem>
            ) : (
              step.beats + step.said > 0 && (
                <MoreItem onClick={() => edit.edit(changed(step.id, { minutes: null }))}>
                  Reckon the minutes again
                </MoreItem>
              )
            )}
            <MoreItem onClick={() => edit.edit(leftOut([step.id]))}>Leave out</MoreItem>
          </MoreMenu>
        </span>
      </div>
    </div>
  )
}

/** How often, and how fast; or the minutes that it is given. */
function Amount({ view, edit }: { view: LessonStep; edit: LessonEdit }) {
  const { step } = view
  if (step.minutes != null)
    return (
      <SmallFigure
        label={`Minutes for ${view.title}`}
        value={step.minutes}
        least={0.5}
        most={LIMITS.longestLesson}
        step={0.5}
        after="min"
        onChange={(minutes) => edit.edit(changed(step.id, { minutes }))}
      />
    )
  if (step.beats === 0) return null
  return (
    <>
      <SmallFigure
        label={`Repeats of ${view.title}`}
        value={step.repeats}
        least={0}
        most={LIMITS.mostRepeats}
        after="×"
        onChange={(repeats) => edit.edit(changed(step.id, { repeats }))}
      />
      <SmallFigure
        label={`Tempo of ${view.title}`}
        value={step.tempo}
        least={LIMITS.slowestTempo}
        most={LIMITS.fastestTempo}
        after="bpm"
        onChange={(tempo) => edit.edit(changed(step.id, { tempo }))}
      />
    </>
  )
}

/** With what is counted behind it. */
function SmallFigure({ after, ...figure }: Parameters<typeof Figure>[0] & { after: string }) {
  return (
    <span className="flex items-center gap-0.5">
      <Figure size="fine" width="w-14 text-right" {...figure} />
      {after}
    </span>
  )
}
