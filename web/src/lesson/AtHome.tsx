import { Fragment } from 'react'
import { placeOfWork } from '../classes'
import { useForClass, useWork } from '../register/queries'
import { TextLink } from '../ui/TextLink'
import type { Lesson } from './queries'

/** What is to be practised after a lesson, each thing with a way to it: what, how far, how long, by when. */
export function AtHome({ lesson, classId, nothing }: { lesson: Lesson; classId: number; nothing: string }) {
  const work = new Map(useWork(classId).data?.map((w) => [w.id, w]))
  const forClass = useForClass(classId)
  if (lesson.home.length === 0) return nothing
  return lesson.home.map((h, i) => {
    const set = work.get(h.work)
    return (
      <Fragment key={h.work}>
        {i > 0 && '; '}
        {set ? (
          <TextLink to={placeOfWork(set, classId)} inSentence onClick={forClass}>
            {h.title}
          </TextLink>
        ) : (
          h.title
        )}
        {h.how}
      </Fragment>
    )
  })
}
