import { useState } from 'react'
import { useKeys } from '../ui/useKeys'
import { Drawn } from './Drawn'
import { Choices, Press, PressRow } from './Press'
import type { SurfaceProps } from './answering'

/** A key signature: its major key, and the letters that it changes. */
export function SignatureName({ question, desk, onReply, solved }: SurfaceProps) {
  const [key, setKey] = useState<string | null>(null)
  const [letters, setLetters] = useState<readonly string[]>([])
  const tell = (nextKey: string | null, next: readonly string[]) => {
    if (solved) return
    setKey(nextKey)
    setLetters(next)
    onReply(nextKey === null ? null : { key: nextKey, letters: next })
  }
  // A signature changes letters, not names.
  const all = desk.letters.filter((l) => l.letter.length === 1)
  const toggle = (letter: string) =>
    tell(key, letters.includes(letter) ? letters.filter((l) => l !== letter) : [...letters, letter])
  useKeys(Object.fromEntries(all.map((l) => [l.key, () => toggle(l.letter)])))
  return (
    <>
      {question.sheet.music && <Drawn music={question.sheet.music} label={question.picture} solved={solved} />}
      <div className="mt-4 flex flex-col gap-3">
        <Choices
          label="Key"
          choices={question.choices}
          chosen={key}
          disabled={solved}
          onChoose={(value) => tell(value, letters)}
        />
        <p className="text-sm text-soft">It changes these letters (none for no signs):</p>
        <PressRow label="Changed letters">
          {all.map((l) => (
            <Press
              key={l.letter}
              pressed={letters.includes(l.letter)}
              disabled={solved}
              onPress={() => toggle(l.letter)}
            >
              {l.label}
            </Press>
          ))}
        </PressRow>
      </div>
    </>
  )
}
