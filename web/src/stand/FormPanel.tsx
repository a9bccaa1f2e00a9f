import type { Reading } from '../api/client'

/** How the tune is built, what is nearly the same, and where it is hard. */
export function FormPanel({
  reading,
  onShow,
  onLine,
}: {
  reading: Reading
  onShow: (noteIds: readonly string[]) => void
  onLine: (line: number) => void
}) {
  const { form, trouble, bars } = reading
  const [hard, slips] = [trouble.filter((t) => !t.isSlip), trouble.filter((t) => t.isSlip)]
  const told = (t: (typeof trouble)[number]) => ({ text: `${t.where}: ${t.text}`, noteIds: [t.fromId, t.noteId] })
  const number = (i: number) => bars[i]?.number ?? i + 1
  return (
    <section aria-label="Form" className="flex flex-col gap-3 text-[15px] leading-snug">
      <div>
        <p className="font-bold">{form.summary}</p>
        {form.rhythms && <p>{form.rhythms}</p>}
        <p className="text-soft">Plays bars {form.plays}.</p>
      </div>
      <ul className="flex flex-col gap-0.5">
        {form.lines.map((l, i) => (
          <li key={l.firstBar}>
            <button type="button" className="text-left hover:underline" onClick={() => onLine(i)}>
              Line {i + 1} <strong className="font-head text-maple-dark">{l.letter}</strong>: bars{' '}
              {Math.max(1, number(l.firstBar))}–{number(l.endBar - 1)}
            </button>
          </li>
        ))}
      </ul>
      <List title="Traps, nearly the same" items={form.traps} onShow={onShow} empty="None." />
      <List title="Trouble spots" items={hard.map(told)} onShow={onShow} empty="Nothing in it is hard." />
      {slips.length > 0 && (
        <List title="Likeliest slips, line by line" items={slips.map(told)} onShow={onShow} empty="" />
      )}
      {form.likenesses.length > 0 && (
        <List title="Like an earlier bar" items={form.likenesses} onShow={onShow} empty="" />
      )}
      <List title="Patterns to know" items={form.passages} onShow={onShow} empty="None found." />
    </section>
  )
}

function List({
  title,
  items,
  onShow,
  empty,
}: {
  title: string
  items: readonly { text: string; noteIds: readonly string[] }[]
  onShow: (noteIds: readonly string[]) => void
  empty: string
}) {
  return (
    <div>
      <h3 className="font-body text-sm font-bold text-maple-dark">{title}</h3>
      {items.length === 0 && <p className="text-soft">{empty}</p>}
      <ul className="flex flex-col gap-1">
        {items.map((item) => (
          <li key={item.text}>
            <button
              type="button"
              className="text-left underline-offset-4 hover:underline"
              onClick={() => onShow(item.noteIds)}
            >
              {item.text}
            </button>
          </li>
        ))}
      </ul>
    </div>
  )
}
