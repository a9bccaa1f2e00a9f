import type { Reading } from '../api/client'
import { MoreItem, MoreMenu } from '../ui/MoreMenu'

/** The octave that the tune is read in, and the others to choose from. */
export function OctaveMenu({ reading, onOctave }: { reading: Reading; onOctave: (octaves: number | null) => void }) {
  const now = reading.octaveChoices.find((c) => c.octaves === reading.octaves)
  if (reading.octaveChoices.length < 2) return null
  return (
    <MoreMenu quiet button={`Octave: ${now?.words ?? 'chosen'}`}>
      {reading.octaveChoices.map((c) => (
        <MoreItem key={c.octaves} current={c === now} onClick={() => onOctave(c.octaves)}>
          {c.words}
          <span className="text-sm font-normal text-soft">{c.leaves}</span>
        </MoreItem>
      ))}
      {reading.octaveChosen && <MoreItem onClick={() => onOctave(null)}>Let Coppia choose</MoreItem>}
    </MoreMenu>
  )
}
