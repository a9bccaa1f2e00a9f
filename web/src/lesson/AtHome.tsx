import { Fragment } from 'react'
import { useInstruments } from '../api/instruments'
import { placeOfWork } from '../classes/placeOfWork'
import { useForClass, useWork } from '../classes/queries'
import { weekdayOf } from '../classes/words'
import { localDay } from '../learn/reports'
import { TextLink } from '../ui/TextLink'
import { shownAtHome } from './steps'

/** What is to be practised after a lesson: what, how fast, by when; on paper without links. */
export function AtHome({
  classId,
  day,
  instrument,
  onPaper = false,
}: {
  classId: number
  day: string
  /** Only what its players are to practise. */
  instrument?: string
  onPaper?: boolean
}) {
  const names = new Map(useInstruments().data?.map((i) => [i.id, i.name.toLowerCase()]))
  const work = useWork(classId)
  const forClass = useForClass(classId)
  const set = shownAtHome(work.data ?? [], day, instrument)
  // Of a lesson long ago nothing is known: what was due then is no longer listed.
  if (set.length === 0)
    return work.data && day >= localDay(new Date()) ? 'Nothing is set yet for the days after it.' : null
  return set.map((w, i) => (
    <Fragment key={w.id}>
      {i > 0 && '; '}
      {onPaper ? (
        w.title
      ) : (
        <TextLink to={placeOfWork(w, classId)} inSentence onClick={forClass}>
          {w.title}
        </TextLink>
      )}
      {w.tempo !== null && ` at ${w.tempo}`}
      {w.instrument !== null && instrument === undefined && ` (${names.get(w.instrument) ?? w.instrument})`}, by{' '}
      {weekdayOf(w.due)}
    </Fragment>
  ))
}
