import type { Reading } from '../api/client'
import { NoteLink } from './NoteLink'

/** What is new to the class in this tune; each thing leads to its notes. Nothing where no class is chosen. */
export function NewHere({
  reading,
  className,
  onShow,
}: {
  reading: Reading
  /** The class’s name, where the screen knows it. */
  className: string | undefined
  /** Left out in print. */
  onShow?: ((noteIds: readonly string[]) => void) | undefined
}) {
  const news = reading.news
  if (!news) return null
  const whom = className ?? 'the class'
  return (
    <section aria-label={`New to ${whom}`} className="mt-1.5 border-l-4 border-spruce pl-3 text-sm">
      {news.count === 0 ? (
        <p>Nothing in it is new to {whom}.</p>
      ) : (
        <>
          <p>
            <span className="font-bold">New to {whom}:</span> {news.parts}.
          </p>
          <ul className="flex flex-wrap gap-x-4">
            {news.things.map((t) => (
              <li key={t.thing}>
                {onShow && t.noteIds.length > 0 ? (
                  <NoteLink onClick={() => onShow(t.noteIds)}>{t.name}</NoteLink>
                ) : (
                  t.name
                )}
                <span className="text-soft">, {t.where}</span>
              </li>
            ))}
          </ul>
        </>
      )}
    </section>
  )
}
