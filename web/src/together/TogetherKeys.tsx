import { REDO_KEYS, UNDO_KEYS } from '../history/useHistoryKeys'
import type { Instrument } from '../api/client'
import { Dialog } from '../ui/Dialog'
import { KeyTable } from '../ui/KeyTable'

const keysFor = (instruments: readonly Instrument[]): [string, string][] => [
  ['← →', 'the note before, the next note'],
  ['↑ ↓', 'the line before, the next line'],
  ['Home End', 'first and last note'],
  [instruments.map((_, i) => i + 1).join(' '), instruments.map((i) => i.name.toLowerCase()).join(', ') + ' alone'],
  ['G', 'one staff for all, or a staff each'],
  ['Space', 'hear all sections from this note, or stop'],
  ['[ ]', 'loop from here, loop to here'],
  ['K', 'the caller, for a projector'],
  ['W', 'write the call sheet on paper (print)'],
  [UNDO_KEYS, 'undo the last change of an octave'],
  [REDO_KEYS, 'make it again'],
  ['?', 'this list'],
]

export function TogetherKeys({ instruments, onClose }: { instruments: readonly Instrument[]; onClose: () => void }) {
  return (
    <Dialog title="Keys for all together" onClose={onClose}>
      <KeyTable keys={keysFor(instruments)} />
    </Dialog>
  )
}
