import { memo, useMemo, type ReactNode } from 'react'
import type { Instrument, SheetItem, SheetPart, SheetQuestion } from '../api/client'
import { Refused } from '../ui/Said'
import { formOf } from './forms'
import { QuestionBoard } from './QuestionBoard'
import { QuestionNotes } from './QuestionNotes'
import { numbersOf } from './sheet'
import { usePieces, type PieceOf } from './usePieces'

/** What can be done with a question or a part on the bench; in print nothing. */
export type Tools = {
  ofPart: (at: number) => ReactNode
  ofItem: (at: number, item: number, part: SheetPart) => ReactNode
}

type PaperProps = {
  heading: string
  nameLine: boolean
  parts: readonly SheetPart[]
  instrument: Instrument
  widthPx: number
  staffMm: number
  /** Music to play shows string and finger. */
  pairs: boolean
  /** The key: everything answered. */
  solved: boolean
  tools?: Tools | undefined
}

/** One instrument’s page of a sheet as it is printed, with or without its answers. */
export function SheetPaper({
  heading,
  nameLine,
  parts,
  instrument,
  widthPx,
  staffMm,
  pairs,
  solved,
  tools,
}: PaperProps) {
  return (
    <article
      className="sheet-paper text-ink"
      aria-label={`${heading || 'Exercises'}, ${instrument.name.toLowerCase()}`}
    >
      <header className="mb-3 flex flex-wrap items-end justify-between gap-x-8 gap-y-1 border-b-2 border-ink pb-1">
        <div>
          <h1 className="text-2xl">{solved ? `Key: ${heading || 'Exercises'}` : heading || 'Exercises'}</h1>
          <p className="text-sm">For {instrument.name.toLowerCase()}</p>
        </div>
        {nameLine && !solved && (
          <p className="text-sm">
            Name <span className="inline-block w-56 border-b border-ink" />
          </p>
        )}
      </header>
      <SheetParts
        parts={parts}
        instrument={instrument}
        widthPx={widthPx}
        staffMm={staffMm}
        pairs={pairs}
        solved={solved}
        tools={tools}
      />
    </article>
  )
}

/** What is asked and played; it is laid out anew only when that changes, not with every letter of the heading. */
const SheetParts = memo(function SheetParts({
  parts,
  instrument,
  widthPx,
  staffMm,
  pairs,
  solved,
  tools,
}: Omit<PaperProps, 'heading' | 'nameLine'>) {
  const numbers = numbersOf(parts)
  const pieces = useMemo<PieceOf[]>(
    () =>
      parts.flatMap((part) =>
        part.items.flatMap((item) => {
          const music = item.each[instrument.id]?.music
          const form = formOf(part.asks, pairs || solved)
          const spread = part.asks === 'scale'
          return music ? [{ music, rows: form.rows, widthPx: part.isPlayed || spread ? widthPx : null, spread }] : []
        }),
      ),
    [parts, instrument.id, widthPx, pairs, solved],
  )
  const { pictures, error } = usePieces(pieces, staffMm)
  const order = new Map(pieces.map((p, i) => [p.music, i]))
  const pictureOf = (question: SheetQuestion | undefined) =>
    question?.music && pictures[order.get(question.music) ?? -1]

  return (
    <>
      {error && <Refused>{error}</Refused>}
      {parts.map((part, p) => {
        const form = formOf(part.asks, pairs || solved)
        return (
          <div key={p} className="mb-4" data-part={p}>
            <div className="mb-1 flex [break-after:avoid] flex-wrap items-baseline gap-x-3">
              <h2 className="text-lg">
                {part.name}
                {part.key && `: ${part.key}`}
              </h2>
              <p className="text-said">{part.instruction}</p>
              {tools?.ofPart(p)}
            </div>
            {part.care && <p className="mb-1 text-sm text-brick print:text-ink">{part.care}</p>}
            {part.apart && <p className="mb-1 text-sm text-soft print:hidden">{part.apart}</p>}
            <ol
              className="grid gap-x-5 gap-y-3"
              style={{
                gridTemplateColumns: `repeat(auto-fill, minmax(min(100%, calc(${form.share}% - 1.25rem)), 1fr))`,
              }}
            >
              {part.items.map((item, i) => (
                <QuestionBox
                  key={item.id}
                  item={item}
                  number={part.isPlayed && part.items.length === 1 ? null : (numbers[p] ?? 1) + i}
                  part={part}
                  instrument={instrument}
                  pairs={pairs}
                  solved={solved}
                  staffMm={staffMm}
                  widthPx={widthPx}
                  drawn={pictureOf(item.each[instrument.id])}
                  place={p}
                  at={i}
                  tools={tools?.ofItem}
                />
              ))}
            </ol>
          </div>
        )
      })}
    </>
  )
})

/** Between two questions side by side, in pixels of the paper. */
const GAP_PX = 20

/** Width of a picture as it is engraved. */
const widthOf = (picture: string) => Number.parseFloat(/<svg[^>]*?\swidth="([\d.]+)/.exec(picture)?.[1] ?? '0')

const QuestionBox = memo(function QuestionBox({
  item,
  number,
  part,
  instrument,
  pairs,
  solved,
  staffMm,
  widthPx,
  drawn,
  place,
  at,
  tools,
}: {
  item: SheetItem
  number: number | null
  part: SheetPart
  instrument: Instrument
  pairs: boolean
  solved: boolean
  staffMm: number
  widthPx: number
  /** Its picture, as soon as there is one. */
  drawn: string | null | undefined
  /** Order of its part, and in the part. */
  place: number
  at: number
  tools: Tools['ofItem'] | undefined
}) {
  const question = item.each[instrument.id]
  if (!question) return null
  const form = formOf(part.asks, pairs || solved)
  const { music } = question
  const notes = music && drawn && (
    <QuestionNotes
      music={music}
      picture={drawn}
      rows={form.rows}
      shown={solved || part.isPlayed ? form.rows : []}
      staffMm={staffMm}
      solved={solved}
      gap={part.asks === 'beats'}
    />
  )
  // What is too wide for its place gets the whole line, and what is too wide for that is made smaller.
  const wide = drawn && question.copies === 1 ? widthOf(drawn) : 0
  const words = solved && (form.blank || !music || part.asks === 'difference') && !part.isPlayed
  return (
    <li
      className="group/item relative min-w-0 [break-inside:avoid]"
      style={wide > (widthPx * form.share) / 100 - GAP_PX ? { gridColumn: '1 / -1' } : undefined}
      data-item={item.id}
    >
      <div className="flex items-baseline gap-2">
        {number !== null && <span className="min-w-6 shrink-0 font-head font-semibold">{number}</span>}
        {question.prompt && <p className="text-said">{question.prompt}</p>}
        {item.pinned && tools && <span className="text-fine text-maple-dark">pinned</span>}
        {tools?.(place, at, part)}
      </div>
      {question.copies > 1 ? (
        <div className="flex flex-wrap items-end gap-x-1">
          {Array.from({ length: solved ? 1 : question.copies }, (_, copy) => (
            // The first is the model, two are traced, the rest are the writer’s own.
            <div key={copy} className={copy === 0 ? '' : copy < 3 ? 'to-trace' : 'to-write'}>
              {notes}
            </div>
          ))}
        </div>
      ) : (
        <div style={wide > widthPx ? { zoom: widthPx / wide } : undefined}>{notes}</div>
      )}
      {question.board && <QuestionBoard instrument={instrument} board={question.board} solved={solved} />}
      {words ? (
        <p className="font-bold">{question.answer}</p>
      ) : (
        form.blank &&
        // What is drawn into the board or the staff needs no line to write on.
        question.board?.shown !== false && <p className="mt-1 h-6 max-w-48 border-b border-soft" aria-hidden="true" />
      )}
    </li>
  )
})
