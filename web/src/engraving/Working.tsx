import { inDigits } from '../calendar/days'
import { TextButton } from '../ui/TextLink'
import type { Engraving } from './useEngraving'

/** Notes that the engraver sets in a second (measured on a slow laptop; long tunes take as long in proportion). */
const NOTES_A_SECOND = 400
/** Shorter work is done before one has read about it. */
const WORTH_STOPPING_SECONDS = 5

/**
 * Said while the engraver works; for a long tune also how far it is and how long that may take, with a way to stop it.
 */
export function Working({ notes, engraving }: { notes: number; engraving: Engraving }) {
  const seconds = Math.round(notes / NOTES_A_SECOND / 5) * 5
  const { pages, count } = engraving
  if (!engraving.working || (pages.length > 0 && seconds < WORTH_STOPPING_SECONDS)) return null
  return (
    <p role="status" className={`no-print text-center text-soft ${pages.length > 0 ? 'py-2 text-sm' : 'py-16'}`}>
      {pages.length > 0 ? `Engraving page ${pages.length + 1} of ${count}…` : 'Engraving the tune…'}
      {seconds >= WORTH_STOPPING_SECONDS && (
        <>
          {pages.length === 0 && ` ${inDigits(notes)} notes take about ${seconds} seconds.`}{' '}
          <TextButton onClick={engraving.stop}>Stop</TextButton>
        </>
      )}
    </p>
  )
}
