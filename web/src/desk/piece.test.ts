import { describe, expect, it } from 'vitest'
import {
  after,
  begun,
  elsewhere,
  firstOpen,
  isGiven,
  midiOf,
  pitchAt,
  put,
  readAs,
  signOf,
  soundOf,
  within,
  withNote,
  without,
  type DeskNote,
  type DeskTask,
} from './piece'

const spot = (height: number, pitch: string, midi: number) => ({ height, pitch, name: pitch, pair: `D${height}`, midi })
const palette = (pitch: string, midi: number, height: number) => ({
  pitch,
  name: pitch,
  pair: 'D',
  midi,
  height,
  sign: null,
  step: null,
})

/** Two bars of 4/4 on the cello’s D string, the last note of each given. */
const task = {
  barLength: 64,
  bars: 2,
  values: [
    { value: '1/4', length: 16 },
    { value: '1/2', length: 32 },
  ],
  palette: [palette('D3', 50, 4), palette('E3', 52, 5), palette('F#3', 54, 6)],
  spots: [spot(4, 'D3', 50), spot(5, 'E3', 52), spot(6, 'F#3', 54), spot(7, 'G3', 55)],
  // D major: F is sharp by the signature.
  written: [
    ...[
      [4, 'D', 50],
      [5, 'E', 52],
      [6, 'F', 53],
      [7, 'G', 55],
    ].flatMap(([height, letter, midi]) =>
      [-1, 0, 1].map((alter) => ({
        height,
        alter,
        pitch: `${letter}${['b', '', '#'][alter + 1]}3`,
        midi: Number(midi) + alter,
        sign: alter === (letter === 'F' ? 1 : 0) ? null : alter,
      })),
    ),
  ],
  given: [
    { bar: 1, at: 'last', pitch: 'F#3', value: '1/4' },
    { bar: 2, at: 'last', pitch: 'D3', value: '1/4' },
  ],
} as unknown as DeskTask

const quarter = (note: string | null): DeskNote => ({ note, value: '1/4', hand: null, stem: null })

describe('a piece on the desk', () => {
  it('begins with what is given, and the caret before it', () => {
    const piece = begun(task)
    expect(piece.bars.map((b) => b.map((n) => n.note))).toEqual([['F#3'], ['D3']])
    expect(firstOpen(task, piece)).toEqual({ bar: 0, at: 0 })
    expect(within(task, piece, { bar: 0, at: 5 })).toEqual({ bar: 0, at: 0 })
  })
  it('goes on to the next bar when one is full, and takes a fifth beat where it is asked to', () => {
    let piece = begun(task)
    let caret = firstOpen(task, piece)
    for (const pitch of ['D3', 'E3', 'D3', 'E3']) {
      const done = put(task, piece, caret, quarter(pitch))
      piece = done.piece
      caret = after(task, piece, done.at)
    }
    expect(piece.bars.map((b) => b.length)).toEqual([4, 2])
    expect(caret).toEqual({ bar: 1, at: 1 })
    expect(put(task, piece, { bar: 0, at: 0 }, quarter('D3')).piece.bars[0]).toHaveLength(5)
  })
  it('leaves what is given alone', () => {
    const piece = begun(task)
    expect(isGiven(task, piece, { bar: 0, at: 0 })).toBe(true)
    expect(without(task, piece, { bar: 0, at: 0 })).toBe(piece)
    expect(withNote(task, piece, { bar: 1, at: 0 }, () => quarter('E3'))).toBe(piece)
  })
  it('sounds each note at its moment, and rests are silent', () => {
    const piece = { bars: [[quarter('D3'), quarter(null), { ...quarter('E3'), value: '1/2' }], [quarter('D3')]] }
    expect(soundOf(task, piece).map((n) => [n.noteId, n.at, n.length, n.midi])).toEqual([
      ['0.0', 0, 1, 50],
      ['0.2', 2, 2, 52],
      ['1.0', 4, 1, 50],
    ])
  })
  it('tries the last note elsewhere, round and round', () => {
    expect(elsewhere(task, quarter('E3'), 1)?.pitch).toBe('F#3')
    expect(elsewhere(task, quarter('F#3'), 1)?.pitch).toBe('D3')
    expect(elsewhere(task, quarter('D3'), -1)?.pitch).toBe('F#3')
    // G3 is not in the palette: the nearest note below it is F#3, and above it there is none.
    expect(elsewhere(task, quarter('G3'), -1)?.pitch).toBe('F#3')
    expect(elsewhere(task, quarter('G3'), 1)?.pitch).toBe('D3')
  })
  it('reads a head by the nearest line or space, and its sign only at its height', () => {
    const hand = (height: number, sign: number | null = null, signHeight: number | null = null): DeskNote => ({
      note: null,
      value: '1/4',
      hand: { height, sign, signHeight },
      stem: null,
    })
    expect(readAs(task, hand(4.3))).toBe('D3')
    expect(readAs(task, hand(6.1))).toBe('F#3')
    expect(readAs(task, hand(7, 1, 7.2))).toBe('G#3')
    expect(readAs(task, hand(7, 1, 5))).toBe('G3')
    expect(midiOf(task, hand(7, 1, 7))).toBe(56)
  })
  it('writes an accidental only where the signature does not make it', () => {
    expect(signOf(task, quarter('F#3'))).toBeNull()
    expect(signOf(task, quarter('F3'))).toBe(0)
    expect(signOf(task, quarter('G#3'))).toBe(1)
    expect(pitchAt(task, 6, 0)).toBe('F3')
  })
})
