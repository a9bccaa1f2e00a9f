import { useMemo } from 'react'
import type { components } from '../api/schema'
import type { RowId } from '../engraving/layout'
import { QuestionNotes, usePieces } from '../exercises'
import { Refused } from '../ui/Said'

export type LaddersOf = components['schemas']['LaddersView']

const PAIR: readonly RowId[] = ['pair']

/**
 * Trouble spots of a tune, each as a ladder: two notes, three, the bar, two bars, the line, the whole; boxes for the
 * clean repeats.
 */
export function Ladders({
  of,
  widthPx,
  staffMm,
  ticks,
}: {
  of: LaddersOf
  widthPx: number
  staffMm: number
  /** What is ticked, and how to tick; without it the boxes are for a pencil. */
  ticks?: { on: readonly string[]; toggle: (box: string) => void }
}) {
  const rungs = useMemo(() => of.chunks.flatMap((c) => c.rungs.flatMap((r) => r.music ?? [])), [of])
  const { pictures, error } = usePieces(
    useMemo(() => rungs.map((music) => ({ music, rows: PAIR, widthPx })), [rungs, widthPx]),
    staffMm,
  )
  if (of.chunks.length === 0) return <p>Nothing in this tune is harder than the rest.</p>
  return (
    <>
      {error && <Refused>{error}</Refused>}
      {of.chunks.map((chunk, c) => (
        <section key={chunk.noteId} className="mt-4 break-inside-avoid" data-testid="ladder">
          <h2 className="border-b-2 border-ink text-lg">
            {c + 1} · {chunk.where}
          </h2>
          <p className="text-said">{chunk.why}</p>
          <ol>
            {chunk.rungs.map((rung) => {
              const picture = rung.music ? pictures[rungs.indexOf(rung.music)] : undefined
              return (
                <li key={rung.rung} className="break-inside-avoid border-b border-line py-1.5">
                  <p className="flex flex-wrap items-center justify-between gap-x-4 text-said">
                    <b>{rung.name}</b>
                    <span className="flex items-center gap-1.5">
                      {Array.from({ length: of.cleanToClimb }, (_, n) => {
                        const box = `${chunk.noteId}.${rung.rung}.${n}`
                        return ticks ? (
                          <input
                            key={n}
                            type="checkbox"
                            className="size-6 accent-spruce max-md:size-11"
                            aria-label={`${chunk.where}, ${rung.name}, clean time ${n + 1}`}
                            checked={ticks.on.includes(box)}
                            onChange={() => ticks.toggle(box)}
                          />
                        ) : (
                          <span key={n} className="inline-block size-4 border border-ink" />
                        )
                      })}
                    </span>
                  </p>
                  {rung.music && picture && (
                    <QuestionNotes
                      music={rung.music}
                      picture={picture}
                      rows={PAIR}
                      shown={PAIR}
                      staffMm={staffMm}
                      solved
                    />
                  )}
                </li>
              )
            })}
          </ol>
        </section>
      ))}
    </>
  )
}
