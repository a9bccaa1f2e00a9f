import type { Reading } from '../api/client'
import { PrintedLineMap, SIGNS_IN_WORDS } from '../walk/LineMap'

/** The line map with traps, trouble spots and patterns in words, on a page of its own. */
export function FormSheet({ reading }: { reading: Reading }) {
  const { form, trouble } = reading
  return (
    <section className="break-before-page pt-6 print:pt-0" data-testid="form-sheet">
      <h2 className="text-2xl">{reading.title}: how it is built</h2>
      <p className="mb-3">
        {form.summary} {form.rhythms} Plays bars {form.plays}.
      </p>
      <PrintedLineMap reading={reading} />
      <p className="mt-2 text-sm">
        A cell is a bar. Dashed: nearly the same as another. Full triangle: a trouble spot; empty: where an easy line
        slips. Star: beyond what the class has learned. In a cell: {SIGNS_IN_WORDS}.
      </p>
      <Words title="Traps, nearly the same" texts={form.traps.map((t) => t.text)} />
      <Words title="Trouble spots" texts={trouble.filter((t) => !t.isSlip).map((t) => `${t.where}: ${t.text}`)} />
      <Words
        title="Likeliest slips, line by line"
        texts={trouble.filter((t) => t.isSlip).map((t) => `${t.where}: ${t.text}`)}
      />
      <Words title="Like an earlier bar" texts={form.likenesses.map((l) => l.text)} />
      <Words title="Patterns to know" texts={form.passages.map((p) => p.text)} />
    </section>
  )
}

function Words({ title, texts }: { title: string; texts: readonly string[] }) {
  if (texts.length === 0) return null
  return (
    <>
      <h3 className="mt-3 text-lg">{title}</h3>
      <ul className="list-disc pl-5">
        {texts.map((t) => (
          <li key={t}>{t}</li>
        ))}
      </ul>
    </>
  )
}
