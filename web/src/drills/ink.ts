/** A picture in black and white, row by row. */
export type Bitmap = { width: number; height: number; set: Uint8Array }

/** Everything within so many pixels of what is set, along and across. */
export function widened({ width, height, set }: Bitmap, reach: number): Bitmap {
  // First along the rows, then along the columns: the cost does not grow with the reach.
  const pass = (from: Uint8Array, lines: number, length: number, at: (line: number, n: number) => number) => {
    const to = new Uint8Array(from.length)
    for (let line = 0; line < lines; line++) {
      let last = -Infinity
      for (let n = 0; n < length; n++) {
        if (from[at(line, n)]) last = n
        if (n - last <= reach) to[at(line, n)] = 1
      }
      last = Infinity
      for (let n = length - 1; n >= 0; n--) {
        if (from[at(line, n)]) last = n
        if (last - n <= reach) to[at(line, n)] = 1
      }
    }
    return to
  }
  const rows = pass(set, height, width, (y, x) => y * width + x)
  return { width, height, set: pass(rows, width, height, (x, y) => y * width + x) }
}

const share = (of: Uint8Array, within: Uint8Array) => {
  let [all, inside] = [0, 0]
  of.forEach((bit, i) => {
    if (!bit) return
    all++
    if (within[i]) inside++
  })
  return all === 0 ? 0 : inside / all
}

/**
 * How well ink goes over a model, in hundredths: how much of the model lies near the ink, and how much of the ink lies
 * away from the model.
 * @param reach How near is near, in pixels.
 */
export function inkOver(model: Bitmap, ink: Bitmap, reach: number) {
  const drawn = ink.set.some((bit) => bit === 1)
  return {
    covered: Math.round(100 * share(model.set, widened(ink, reach).set)),
    astray: drawn ? Math.round(100 * (1 - share(ink.set, widened(model, reach).set))) : 0,
  }
}
