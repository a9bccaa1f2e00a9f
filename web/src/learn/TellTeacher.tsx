import { useState } from 'react'
import { Button } from '../ui/Button'
import { SideNote } from '../ui/Said'
import { TextButton } from '../ui/TextLink'
import type { Learn, LearnWork } from './queries'

type Note = Learn['notes'][number]

/** A ready sentence to the teacher; there is no free text. */
export function TellTeacher({
  choices,
  tunes,
  onSend,
}: {
  choices: readonly Note[]
  tunes: readonly LearnWork[]
  onSend: (note: Note['note'], tuneId: number | null) => void
}) {
  const [open, setOpen] = useState(false)
  const [about, setAbout] = useState<Note | null>(null)
  const [sent, setSent] = useState<Note | null>(null)
  const set = tunes.filter((t) => t.tuneId !== null)
  const send = (note: Note, tuneId: number | null) => {
    onSend(note.note, tuneId)
    setSent(note)
    setAbout(null)
    setOpen(false)
  }
  return (
    <section aria-label="Tell your teacher">
      {!open && <TextButton onClick={() => setOpen(true)}>Tell my teacher something</TextButton>}
      {open && !about && (
        <ul className="flex flex-col items-start gap-2">
          <li>Tell my teacher:</li>
          {choices.map((c) => (
            <li key={c.note}>
              <Button onClick={() => (c.withTune && set.length > 0 ? setAbout(c) : send(c, null))}>{c.words}</Button>
            </li>
          ))}
          <li>
            <TextButton onClick={() => setOpen(false)}>Nothing</TextButton>
          </li>
        </ul>
      )}
      {about && (
        <div className="flex flex-col items-start gap-2">
          <p>“{about.words}” With what?</p>
          {set.map((t) => (
            <Button key={t.id} onClick={() => send(about, t.tuneId)}>
              {t.title}
            </Button>
          ))}
          <Button onClick={() => send(about, null)}>Something else</Button>
        </div>
      )}
      {sent && !open && <p role="status">Your teacher will read: “{sent.words}”</p>}
      {sent?.note === 'hurts' && !open && (
        <SideNote>
          Stop playing for today, put the instrument down and shake out your hands. Tell a grown-up at home too; if it
          stays, a doctor looks at it.
        </SideNote>
      )}
    </section>
  )
}
