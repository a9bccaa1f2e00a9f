import { useState } from 'react'
import { useKeys } from '../ui/useKeys'
import { Drawn } from './Drawn'
import { Press, PressRow } from './Press'
import type { SurfaceProps } from './answering'

const SIGNS = [
  { sign: 'b', label: '♭', name: 'flat', key: '−' },
  { sign: '', label: '♮', name: 'natural', key: '=' },
  { sign: '#', label: '♯', name: 'sharp', key: '+' },
] as const

/** A note on the staff: its letter, and its sign. */
export function NameIt({ question, desk, onReply, solved }: SurfaceProps) {
  const [letter, setLetter] = useState<string | null>(null)
  const [sign, setSign] = useState<string>('')
  const choose = (nextLetter: string | null, nextSign: string) => {
    if (solved) return
    setLetter(nextLetter)
    setSign(nextSign)
    // A name that has its sign already, the German B, takes no other.
    onReply(nextLetter === null ? null : { name: nextLetter.length > 1 ? nextLetter : nextLetter + nextSign })
  }
  useKeys({
    ...Object.fromEntries(
      // After a letter, b is a flat, as one types it.
      desk.letters.map((l) => [
        l.key,
        () => (l.key === 'b' && letter !== null && sign === '' ? choose(letter, 'b') : choose(l.letter, '')),
      ]),
    ),
    '+': () => choose(letter, '#'),
    '#': () => choose(letter, '#'),
    '-': () => choose(letter, 'b'),
    '=': () => choose(letter, ''),
    Backspace: () => choose(null, ''),
  })
  return (
    <>
      {question.sheet.music && <Drawn music={question.sheet.music} label={question.picture} solved={solved} />}
      <div className="mt-4 flex flex-col gap-3">
        <PressRow label="Letter">
          {desk.letters.map((l) => (
            <Press
              key={l.letter}
              pressed={letter === l.letter}
              disabled={solved}
              onPress={() => choose(l.letter, sign)}
            >
              {l.label}
            </Press>
          ))}
        </PressRow>
        <PressRow label="Sign">
          {SIGNS.map((s) => (
            <Press
              key={s.name}
              label={`${s.label} ${s.name}`}
              keyName={s.key}
              pressed={sign === s.sign}
              disabled={solved}
              onPress={() => choose(letter, s.sign)}
            >
              {s.label}
            </Press>
          ))}
        </PressRow>
      </div>
    </>
  )
}
