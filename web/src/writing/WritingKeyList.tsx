import { WITHOUT_LETTER } from '../history/useHistoryKeys'
import { Dialog } from '../ui/Dialog'
import { GROUPS } from './signs'

const KEYS: readonly (readonly [string, string])[] = [
  ['A … G', 'write the note of that letter, the nearest to the one before'],
  ['+ -', 'the next note, or what is selected: twice as long, half as long'],
  ['. Y', 'dotted, triplet'],
  ...GROUPS.flatMap((g) => g.signs).map(
    (s) => [s.shown ?? (s.key.length === 1 ? s.key.toUpperCase() : s.key), s.label.toLowerCase()] as const,
  ),
  ['← →', 'the caret back, on; with Shift it selects'],
  ['Home End', 'to the beginning, to the end'],
  ['⌫ Del', 'take out the note before, the note after, or what is selected'],
  [WITHOUT_LETTER.undo, 'undo'],
  [WITHOUT_LETTER.redo, 'redo'],
  ['Ctrl+C Ctrl+X Ctrl+V', 'copy, cut, paste; note letters and ABC can be pasted too'],
  ['Ctrl+A Esc', 'select all, select nothing'],
  ['?', 'this list'],
]

export function WritingKeyList({ onClose }: { onClose: () => void }) {
  return (
    <Dialog title="Keys on the writing staff" onClose={onClose}>
      <dl className="grid grid-cols-[minmax(8rem,auto)_1fr] gap-x-4 gap-y-1.5">
        {KEYS.map(([keys, what]) => (
          <div key={keys + what} className="contents">
            <dt className="flex flex-wrap gap-1">
              {keys.split(' ').map((k) => (k === '…' ? k : <kbd key={k}>{k}</kbd>))}
            </dt>
            <dd>{what}</dd>
          </div>
        ))}
      </dl>
      <p className="mt-4 text-sm">
        With the pointer: press a line or space to write there; drag a note up or down to mend it; press a note to put
        the caret behind it.
      </p>
    </Dialog>
  )
}
