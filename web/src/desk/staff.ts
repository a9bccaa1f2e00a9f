import { barLength, given, heightOf, lengthOf, type DeskNote, type DeskTask, type PieceDoc, type Place } from './piece'

/** Sizes of the desk’s staff, in staff spaces. */
const INSET = 1.6
const CLEF = 3.5
const SIGN = 1.1
const METER = 2.9
/** Half-spaces that are shown over and under the staff at least: for bar numbers, and for stems and pairs. */
const OVER = 14
const UNDER = -8

export type StaffNote = Place & { note: DeskNote; x: number; given: boolean }
export type StaffBar = { bar: number; left: number; right: number; notes: StaffNote[] }
export type StaffRow = {
  bars: StaffBar[]
  width: number
  /** A staff space in pixels. */
  space: number
  first: boolean
  /** Half-spaces above the bottom line: the top of the picture, and where pairs stand. */
  top: number
  pairs: number
  height: number
}

/** How many bars stand in a line: four, two or one, so that lines are alike. */
export function perRow(task: DeskTask, room: number, space: number) {
  const head = headWidth(task, true) * space
  const need = Math.max(11, (task.barLength / 16) * 3.4) * space
  const fit = Math.floor((room - head) / need)
  return fit >= 4 ? 4 : fit >= 2 ? 2 : 1
}

export const headWidth = (task: DeskTask, first: boolean) =>
  CLEF + task.signature.length * SIGN + (first ? METER : 0) + 0.6

/** Lays the bars out, all of one width; in a bar every note stands at its moment. */
export function rowsOf(task: DeskTask, piece: PieceDoc, room: number, space: number): StaffRow[] {
  const count = perRow(task, room, space)
  const rows: StaffRow[] = []
  const heights = [
    ...task.palette.map((p) => p.height),
    ...piece.bars.flat().map((n) => Math.round(heightOf(task, n) ?? 4)),
  ]
  const top = Math.max(OVER, ...heights.map((h) => h + 4))
  const pairs = Math.min(UNDER, ...heights.map((h) => h - 4))
  const height = ((top - pairs) / 2 + (task.letters ? 2.9 : 1.4)) * space
  for (let from = 0; from < piece.bars.length; from += count) {
    const head = headWidth(task, from === 0) * space
    const width = (room - head) / count
    const bars = piece.bars.slice(from, from + count).map((notes, i) => {
      const [bar, left] = [from + i, head + i * width]
      return { bar, left, right: left + width, notes: notesOf(task, notes, bar, left, width, space) }
    })
    rows.push({ bars, width: room, space, first: from === 0, top, pairs, height })
  }
  return rows
}

function notesOf(
  task: DeskTask,
  notes: readonly DeskNote[],
  bar: number,
  left: number,
  width: number,
  space: number,
): StaffNote[] {
  const total = Math.max(task.barLength, barLength(task, notes))
  const inner = width - (INSET + 0.4) * space
  const { first, last } = given(task, bar)
  // A given last note stands at the end, however little is before it.
  const behind = notes.slice(notes.length - last).reduce((sum, n) => sum + lengthOf(task, n), 0)
  let onset = 0
  return notes.map((note, at) => {
    if (last > 0 && at === notes.length - last) onset = Math.max(onset, total - behind)
    const x = left + INSET * space + (onset / total) * inner
    onset += lengthOf(task, note)
    return { bar, at, note, x, given: at < first || at >= notes.length - last }
  })
}

/** Where the caret stands in its bar. */
export function caretX(task: DeskTask, row: StaffRow, bar: StaffBar, at: number) {
  const here = bar.notes[at - 1]
  const next = bar.notes[at]
  if (here && next && !next.given) return (here.x + next.x) / 2
  const total = Math.max(task.barLength, 1)
  const step = here ? (lengthOf(task, here.note) / total) * (bar.right - bar.left - 2 * row.space) : 0
  const x = here ? here.x + step : bar.left + INSET * row.space
  return Math.min(x, (next ? next.x : bar.right) - 0.9 * row.space)
}

type Scale = Pick<StaffRow, 'space' | 'top'>

/** Pixels from the top of the picture, of a height in half-spaces above the bottom line; and the other way round. */
export const yOf = ({ space, top }: Scale, height: number) => ((top - height) / 2) * space
export const heightAt = ({ space, top }: Scale, y: number) => top - y / (space / 2)

/** Heights of the ledger lines that a head on this line or space needs. */
export function ledgersOf(height: number): number[] {
  const heights: number[] = []
  for (let h = -2; h >= height; h -= 2) heights.push(h)
  for (let h = 10; h <= height; h += 2) heights.push(h)
  return heights
}
