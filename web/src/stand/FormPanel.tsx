import { memo } from 'react'
import type { Reading } from '../api/client'
import { TextLink } from '../ui/TextLink'
import { NoteLink } from './NoteLink'
import { PanelPart } from './PanelPart'

type Told = { text: string; noteIds: readonly string[] }

/** How the tune is built, what is nearly the same, and where it is hard. */
export const FormPanel = memo(function FormPanel({
  reading,
  onShow,
  onLine,
}: {
  reading: Reading
  onShow: (noteIds: readonly string[]) => void
  onLine: (line: number) => void
}) {
  const { form, trouble, bars } = reading
  const told = (isSlip: boolean) =>
    trouble
      .filter((t) => t.isSlip === isSlip)
      .map((t) => ({ text: `${t.where}: ${t.text}`, noteIds: [t.fromId, t.noteId] }))
  const number = (i: number) => bars[i]?.number ?? i + 1
  return (
    <section aria-label="Form" className="flex flex-col gap-3 text-said">
      <div>
        <p className="font-bold">{form.summary}</p>
        {form.rhythms && <p>{form.rhythms}</p>}
        <p className="text-soft">Plays bars {form.plays}.</p>
      </div>
      <ul className="flex flex-col gap-0.5">
        {form.lines.map((l, i) => (
          <li key={l.firstBar}>
            <NoteLink onClick={() => onLine(i)}>
              Line {i + 1} <strong className="font-head text-maple-dark">{l.letter}</strong>: bars{' '}
              {Math.max(1, number(l.firstBar))}–{number(l.endBar - 1)}
            </NoteLink>
          </li>
        ))}
      </ul>
      <Spots title="Traps, nearly the same" spots={form.traps} onShow={onShow} none="None." />
      <Spots title="Trouble spots" spots={told(false)} onShow={onShow} none="Nothing in it is hard." />
      <Spots title="Likeliest slips, line by line" spots={told(true)} onShow={onShow} />
      <TextLink to={`/tunes/${reading.tuneId}/ladders?for=${reading.instrument.id}`}>
        Ladders for the trouble spots
      </TextLink>
      <Spots title="Like an earlier bar" spots={form.likenesses} onShow={onShow} />
      <Spots title="Patterns to know" spots={form.passages} onShow={onShow} none="None found." />
    </section>
  )
})

function Spots({
  title,
  spots,
  onShow,
  none,
}: {
  title: string
  spots: readonly Told[]
  onShow: (noteIds: readonly string[]) => void
  /** Said where there are none; without it the heading is left out too. */
  none?: string
}) {
  if (spots.length === 0 && !none) return null
  return (
    <PanelPart title={title}>
      {spots.length === 0 && <li className="text-soft">{none}</li>}
      {spots.map((spot) => (
        <li key={spot.text}>
          <NoteLink onClick={() => onShow(spot.noteIds)}>{spot.text}</NoteLink>
        </li>
      ))}
    </PanelPart>
  )
}
