import type { Instrument } from '../api/client'
import { ROWS } from '../engraving/layout'
import { REDO_KEYS, UNDO_KEYS } from '../history/useHistoryKeys'
import { Dialog } from '../ui/Dialog'
import { KeyTable } from '../ui/KeyTable'

const keysFor = (instruments: readonly Instrument[]): [string, string][] => [
  ['← →', 'the note before, the next note'],
  ['↑ ↓', 'the line before, the next line'],
  ['Home End', 'first and last note'],
  [instruments.map((_, i) => i + 1).join(' '), instruments.map((i) => i.name.toLowerCase()).join(', ')],
  [String(instruments.length + 1), 'all together: what each section plays, and what to call'],
  ...ROWS.map((row): [string, string] => [row.key.toUpperCase(), `${row.label.toLowerCase()} row on or off`]),
  ['Space', 'hear it from this note, or stop'],
  ['[ ]', 'loop from here, loop to here'],
  ['A', 'another string or finger for this note'],
  [UNDO_KEYS, 'undo the last change of fingers, bows or octave that is in view'],
  [REDO_KEYS, 'make it again'],
  ['L', 'the next list under the fingerboard'],
  ['M', 'mend its notes on the writing staff'],
  ['E', 'edit its title or its text'],
  ['W', 'write it on paper (print)'],
  ['Esc', 'back to the tune, from a picked place or any field'],
  ['?', 'this list'],
]

export function KeyList({ instruments, onClose }: { instruments: readonly Instrument[]; onClose: () => void }) {
  return (
    <Dialog title="Keys on the stand" onClose={onClose}>
      <KeyTable keys={keysFor(instruments)} />
    </Dialog>
  )
}
