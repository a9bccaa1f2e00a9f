import { useState } from 'react'
import { alone, History } from '../history/history'
import {
  after,
  barLength,
  before,
  elsewhere,
  firstOpen,
  heightOf,
  isGiven,
  midiOf,
  noteAt,
  pitchAt,
  put,
  readAs,
  within,
  withNote,
  without,
  type Caret,
  type DeskNote,
  type DeskTask,
  type PieceDoc,
  type Place,
} from './piece'
import type { Press } from './DeskStaff'

/** What a press on the staff means where heads, stems and signs are put by hand. */
export type Tool = 'head' | 'stem' | 'sharp' | 'flat' | 'natural'

export const SIGNS: Partial<Record<Tool, number>> = { sharp: 1, flat: -1, natural: 0 }

const REACH = { lowest: -8, highest: 16 }
const tidy = (height: number) => Math.round(Math.min(REACH.highest, Math.max(REACH.lowest, height)) * 20) / 20

/** A quarter, where the task has it. */
const usualValue = (task: DeskTask) => {
  const own = task.values.slice(0, task.allowed)
  return (own.find((v) => v.log === 2 && v.dots === 0) ?? own[0])?.value ?? '1/4'
}

/** Writing on the desk: the piece, where the next note goes, what is chosen, and the way back. */
export function useDesk(
  task: DeskTask,
  piece: PieceDoc,
  onChange: (piece: PieceDoc, anew: boolean) => void,
  locked: boolean,
  tone: (midi: number) => void,
) {
  const [caret, setCaret] = useState<Caret>(() => firstOpen(task, piece))
  const [chosen, setChosen] = useState<Place | null>(null)
  const [value, setValue] = useState(usualValue(task))
  const [tool, setTool] = useState<Tool>('head')
  const [history] = useState(() => new History<PieceDoc>())
  const sound = (note: DeskNote) => {
    const midi = midiOf(task, note)
    if (midi !== null) tone(midi)
  }

  const change = (next: PieceDoc, anew = false) => {
    if (next === piece || locked) return
    history.made(alone(piece), alone(next))
    onChange(next, anew)
  }
  const write = (note: DeskNote, at: Caret = caret) => {
    if (locked) return
    const done = put(task, piece, at, note)
    change(done.piece)
    setChosen(done.at)
    setCaret(after(task, done.piece, done.at))
    sound(note)
  }
  const alter = (place: Place, make: (note: DeskNote) => DeskNote) => {
    const old = noteAt(piece, place)
    if (!old || isGiven(task, piece, place)) return
    const next = make(old)
    change(withNote(task, piece, place, () => next))
    setChosen(place)
    sound(next)
  }
  const go = (to: PieceDoc | undefined, gone: () => void) => {
    if (!to || locked) return
    gone()
    onChange(to, false)
    setChosen(null)
    setCaret(firstOpen(task, to))
  }
  /** The note that is meant by what is pressed beside the staff: the chosen one, else the one before the caret. */
  const meant = chosen ?? before(piece, caret)

  const press = (p: Press) => {
    const sign = SIGNS[tool]
    if (task.byHand && tool === 'stem' && p.on) {
      const on = p.on
      alter(on, (n) => (n.hand ? { ...n, stem: { up: p.height > n.hand.height, right: p.right } } : n))
    } else if (task.byHand && sign !== undefined) {
      // A sign stands before its head: it belongs to the one that was met, or to the next in the bar.
      const on = p.on ?? { bar: p.bar, at: p.at }
      alter(on, (n) => (n.hand ? { ...n, hand: { ...n.hand, sign, signHeight: tidy(p.height) } } : n))
    } else if (p.on) {
      setChosen(p.on)
      setCaret(within(task, piece, { bar: p.on.bar, at: p.on.at + 1 }))
      const note = noteAt(piece, p.on)
      if (note) sound(note)
    } else if (task.byHand) {
      write({ note: null, value, hand: { height: tidy(p.height), sign: null, signHeight: null }, stem: null }, p)
    } else {
      const pitch = pitchAt(task, Math.round(p.height))
      if (pitch) write({ note: pitch, value, hand: null, stem: null }, p)
    }
  }
  const drag = (place: Place, height: number) =>
    alter(place, (n) => {
      if (n.hand) return { ...n, hand: { ...n.hand, height: tidy(height) } }
      const pitch = n.note === null ? null : pitchAt(task, Math.round(height))
      return pitch ? { ...n, note: pitch } : n
    })

  return {
    task,
    piece,
    locked,
    caret: locked ? null : caret,
    chosen,
    meant,
    value,
    setValue: (next: string) => {
      setValue(next)
      if (chosen) alter(chosen, (n) => ({ ...n, value: next }))
    },
    tool,
    setTool,
    press,
    drag,
    /** Writes a note of the palette; where heads are put by hand it only sounds. */
    note: (pitch: string) => {
      const note = { note: pitch, value, hand: null, stem: null }
      if (task.byHand) sound(note)
      else write(note)
    },
    rest: () => write({ note: null, value, hand: null, stem: null }),
    remove: () => {
      if (!meant || isGiven(task, piece, meant)) return
      change(without(task, piece, meant))
      setChosen(null)
      setCaret(within(task, piece, meant))
    },
    /** Tries the chosen or last note on another note of the palette. */
    elsewhere: (by: 1 | -1) => {
      if (!meant) return
      alter(meant, (n) => {
        const to = elsewhere(task, n, by)
        if (!to || (n.note === null && !n.hand)) return n
        return n.hand ? { ...n, hand: { ...n.hand, height: to.height } } : { ...n, note: to.pitch }
      })
    },
    /** Sharp, flat or natural on the chosen or last note; the same again takes it away. */
    sign: (sign: number) => {
      if (!meant) return
      alter(meant, (n) => {
        if (n.note === null) return n
        const height = heightOf(task, n) ?? 0
        const pitch = pitchAt(task, height, sign)
        return { ...n, note: (pitch === readAs(task, n) ? pitchAt(task, height) : pitch) ?? n.note }
      })
    },
    move: (by: 1 | -1) => {
      const next = by > 0 ? { bar: caret.bar, at: caret.at + 1 } : { bar: caret.bar, at: caret.at - 1 }
      const here = within(task, piece, next)
      const isSame = here.at === caret.at
      const moved = !isSame ? here : within(task, piece, { bar: caret.bar + by, at: by > 0 ? 0 : Infinity })
      setCaret(moved)
      setChosen(null)
    },
    undo: () => go(history.before(piece)?.document, () => history.undone()),
    redo: () => go(history.after(piece)?.document, () => history.redone()),
    canUndo: history.canUndo,
    canRedo: history.canRedo,
    /** Another piece in its place: one from before, from a file, or an empty one. */
    replace: (next: PieceDoc) => {
      change(next, true)
      setChosen(null)
      setCaret(firstOpen(task, next))
    },
    left: Math.max(0, task.barLength - barLength(task, piece.bars[caret.bar] ?? [])),
  }
}

export type Desk = ReturnType<typeof useDesk>
