/**
 * Where a place is drawn: pixels below the nut, when the last drawn place lies `height` below it.
 * @param distances Of the places from the nut, as the instrument has them.
 */
export const placeY = (distances: readonly number[], semitones: number, last: number, height: number) =>
  ((distances[semitones] ?? 0) / (distances[last] ?? 1)) * height
