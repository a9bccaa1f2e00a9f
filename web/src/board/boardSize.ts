import type { Instrument } from '../api/client'
import { placeY } from './placeY'

export type Place = { string: number; semitones: number }

/** Sizes of the drawn fingerboard, in its own units. */
export const BOARD = { width: 296, nutY: 34, length: 306, left: 78, gap: 52 }

/** Room below the last place. */
const FOOT = 16

/** Where the strings and places of an instrument are drawn, down to the last place that is shown. */
export function boardSize(instrument: Instrument, last: number) {
  const x = (string: number) => BOARD.left + string * BOARD.gap
  return {
    x,
    y: (semitones: number) => BOARD.nutY + placeY(instrument.distances, semitones, last, BOARD.length - FOOT),
    right: x(instrument.strings.length - 1),
  }
}
