import type { Instrument } from '../api/client'
import { ROWS, type RowId } from '../engraving/layout'
import type { Hear } from '../hear/useHear'
import { ALL } from '../ui/InstrumentChoice'
import { useKeys } from '../ui/useKeys'
import type { Walk } from '../walk/useWalk'

/** What the keys do on the stand; KeyList tells them. */
export function useStandKeys({
  walk,
  hear,
  instruments,
  ...does
}: {
  walk: Walk
  hear: Hear
  instruments: readonly Instrument[]
  endProbe: () => void
  loopEnd: (end: 'from' | 'to') => void
  turn: (noteId: string) => void
  nextPanel: () => void
  keys: () => void
  edit: () => void
  mend: () => void
  print: () => void
  playOn: (instrument: string) => void
  row: (row: RowId) => void
}) {
  const { at, line, notes, now } = walk
  const go = (to: number) => {
    does.endProbe()
    walk.go(to)
  }
  const goLine = (to: number) => {
    does.endProbe()
    walk.goLine(to)
  }
  useKeys({
    ArrowRight: () => go(at + 1),
    ArrowLeft: () => go(at - 1),
    Home: () => go(0),
    End: () => go(notes.length - 1),
    ArrowDown: () => goLine(line + 1),
    ArrowUp: () => goLine(line - 1),
    Escape: () => {
      does.endProbe()
      walk.setMarked([])
    },
    ' ': () => hear.toggle(now?.id),
    '[': () => does.loopEnd('from'),
    ']': () => does.loopEnd('to'),
    '?': does.keys,
    a: () => now && does.turn(now.id),
    l: does.nextPanel,
    e: does.edit,
    m: does.mend,
    w: does.print,
    ...Object.fromEntries(instruments.map((i, n) => [String(n + 1), () => does.playOn(i.id)])),
    [String(instruments.length + 1)]: () => does.playOn(ALL),
    ...Object.fromEntries(ROWS.map((row) => [row.key, () => does.row(row.id)])),
  })
}
