import type { Remark } from '../api/client'
import { NoteLink } from './NoteLink'

/** What a teacher says before this line; each remark leads to its notes. */
export function BeforeLine({
  line,
  remarks,
  onShow,
}: {
  line: number
  remarks: readonly Remark[] | undefined
  onShow: (noteIds: readonly string[]) => void
}) {
  return (
    <section aria-label="Before this line" className="text-said">
      <h2 className="mb-1.5 text-xl">Before line {line + 1}</h2>
      {!remarks && <p className="text-soft">Looking at the line…</p>}
      <ul className="flex flex-col gap-1">
        {remarks?.map((r) => (
          <li key={r.text}>
            {r.noteIds.length > 0 ? <NoteLink onClick={() => onShow(r.noteIds)}>{r.text}</NoteLink> : r.text}
          </li>
        ))}
      </ul>
    </section>
  )
}
