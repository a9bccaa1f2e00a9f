import type { Remark } from '../api/client'

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
    <section aria-label="Before this line" className="text-[15px] leading-snug">
      <h2 className="mb-1.5 text-xl">Before line {line + 1}</h2>
      {!remarks && <p className="text-soft">Looking at the line…</p>}
      <ul className="flex flex-col gap-1">
        {remarks?.map((r) => (
          <li key={r.text}>
            {r.noteIds.length > 0 ? (
              <button
                type="button"
                onClick={() => onShow(r.noteIds)}
                className="text-left decoration-line-dark underline-offset-4 hover:underline"
              >
                {r.text}
              </button>
            ) : (
              r.text
            )}
          </li>
        ))}
      </ul>
    </section>
  )
}
