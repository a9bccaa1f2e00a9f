/** Distance of a place from the nut as a part of the string length: 1 − 2^(−n/12), equal temperament. */
export const distance = (semitones: number) => 1 - 2 ** (-semitones / 12)

/** Where a place is drawn: pixels below the nut, when the last drawn place lies `height` below it. */
export const placeY = (semitones: number, last: number, height: number) =>
  (distance(semitones) / distance(last)) * height
