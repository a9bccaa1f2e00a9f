import { useMemo, useState } from 'react'
import type { QuestionMusic } from '../api/client'
import type { RowId } from '../engraving/layout'
import { Button } from '../ui/Button'
import { useKeys } from '../ui/useKeys'
import { Drawn } from './Drawn'
import { Press, PressRow } from './Press'
import type { SurfaceProps } from './answering'

const ROW: readonly RowId[] = ['count']
/** Where the next syllable goes, and those that are still to come. */
const HERE = '▾'
const TO_COME = '·'

/** The picture’s own syllables put by those that were tapped. */
const written = (music: QuestionMusic, said: readonly string[]): QuestionMusic => {
  let n = 0
  return {
    ...music,
    counts: music.counts.map((c) => {
      if (!c.text) return c
      const text = said[n] ?? (n === said.length ? HERE : TO_COME)
      n++
      return { ...c, text, kind: 'struck' }
    }),
  }
}

/** A rhythm: its syllables are tapped one after the other. */
export function CountIt({ question, onReply, solved }: SurfaceProps) {
  const [said, setSaid] = useState<readonly string[]>([])
  const tell = (next: readonly string[]) => {
    if (solved || next.length > question.moments.length) return
    setSaid(next)
    onReply(next.length === question.moments.length ? { syllables: next } : null)
  }
  // A bracket before a figure makes it a rest’s, as one writes it.
  const [bracket, setBracket] = useState(false)
  const type = (text: string) => {
    const own = bracket ? `(${text})` : text
    setBracket(false)
    if (question.choices.some((c) => c.value === own)) tell([...said, own])
  }
  const back = () => tell(said.slice(0, -1))
  useKeys({
    Backspace: back,
    '(': () => setBracket(true),
    // Figures and & are typed as they are said.
    ...Object.fromEntries(
      question.choices.filter((c) => c.value.length === 1).map((c) => [c.value.toLowerCase(), () => type(c.value)]),
    ),
  })
  const { music } = question.sheet
  const shown = useMemo(() => (music && !solved ? written(music, said) : music), [music, said, solved])
  return (
    <>
      {shown && <Drawn music={shown} label={question.picture} rows={ROW} shown={ROW} solved={solved} inBars />}
      <p className="sr-only" aria-live="polite">
        {said.length} of {question.moments.length}: {said.join(' ')}
      </p>
      <div className="mt-4 flex flex-wrap items-center gap-4">
        <PressRow label="Syllables">
          {question.choices.map((c) => (
            <Press
              key={c.value}
              pressed={false}
              disabled={solved || said.length === question.moments.length}
              onPress={() => tell([...said, c.value])}
            >
              {c.label}
            </Press>
          ))}
        </PressRow>
        <Button size="small" disabled={solved || said.length === 0} onClick={back}>
          Take the last one back
        </Button>
      </div>
    </>
  )
}
