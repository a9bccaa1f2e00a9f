import { useEffect, useState } from 'react'
import { engraver } from '../engraving/engraver'

/**
 * Music signs by their place in the Standard Music Font Layout (SMuFL), as outlines in 250ths of a staff space, up is
 * positive.
 */
export type Glyphs = ReadonlyMap<string, string>

export const GLYPH = {
  clef: { treble: 'E050', alto: 'E05C', tenor: 'E05C', bass: 'E062' } as Record<string, string>,
  sign: { '1': 'E262', '0': 'E261', '-1': 'E260' } as Record<string, string>,
  rest: ['E4E3', 'E4E4', 'E4E5', 'E4E6', 'E4E7'],
  head: ['E0A2', 'E0A3', 'E0A4'],
  flag: { up: ['E240', 'E242'], down: ['E241', 'E243'] },
  digit: (n: string) => `E08${n}`,
} as const

/** Half-spaces above the bottom line at which a clef’s sign stands. */
export const CLEF_HEIGHT: Record<string, number> = { treble: 2, alto: 4, tenor: 6, bass: 6 }

const note = (length: number, type: string, octave: number, sign = '') =>
  `<note><pitch><step>F</step>${sign && `<alter>${{ sharp: 1, flat: -1 }[sign] ?? 0}</alter>`}<octave>${octave}</octave></pitch>` +
  `<duration>${length}</duration><type>${type}</type>${sign && `<accidental>${sign}</accidental>`}</note>`
const rest = (length: number, type: string) => `<note><rest/><duration>${length}</duration><type>${type}</type></note>`
const bar = (n: number, beats: number, unit: number, sign: string, line: number, notes = '') =>
  `<measure number="${n}"><attributes><divisions>8</divisions><time><beats>${beats}</beats><beat-type>${unit}</beat-type></time>` +
  `<clef><sign>${sign}</sign><line>${line}</line></clef></attributes>${notes || rest(8, 'quarter')}</measure>`

/**
 * Every sign that the desk draws, once. A clef that changes is another sign: each stands at the beginning of a staff of
 * its own.
 */
const SIGNS = [
  note(8, 'quarter', 4, 'sharp'),
  note(8, 'quarter', 4, 'flat'),
  note(8, 'quarter', 4, 'natural'),
  note(16, 'half', 4),
  note(32, 'whole', 4),
  note(4, 'eighth', 4),
  note(4, 'eighth', 6),
  note(2, '16th', 4),
  note(2, '16th', 6),
  rest(8, 'quarter'),
  rest(32, 'whole'),
  rest(16, 'half'),
  rest(4, 'eighth'),
  rest(2, '16th'),
]
const STAVES = [
  bar(1, 12, 8, 'G', 2, SIGNS.join('')) + bar(2, 7, 8, 'G', 2) + bar(3, 10, 8, 'G', 2),
  bar(1, 3, 4, 'C', 3) + bar(2, 5, 16, 'C', 3) + bar(3, 9, 8, 'C', 3),
  bar(1, 3, 4, 'F', 4) + bar(2, 5, 16, 'F', 4) + bar(3, 9, 8, 'F', 4),
]
const ALL =
  `<score-partwise version="4.0"><part-list>${STAVES.map((_, i) => `<score-part id="P${i}"><part-name/></score-part>`).join('')}` +
  `</part-list>${STAVES.map((music, i) => `<part id="P${i}">${music}</part>`).join('')}</score-partwise>`

const OPTIONS = { header: 'none', footer: 'none', breaks: 'none', adjustPageHeight: true, svgRemoveXlink: true }

let asked: Promise<Glyphs> | null = null

/** The signs as the engraver draws them; it brings its own type. */
function load(): Promise<Glyphs> {
  asked ??= new Promise<Glyphs>((resolve, reject) => {
    engraver
      .pages(ALL, OPTIONS, {
        desk: 'small',
        onPage: (_, svg) => {
          const drawn = new DOMParser().parseFromString(svg, 'image/svg+xml')
          resolve(
            new Map(
              [...drawn.querySelectorAll('defs > [id]')].map((g) => [
                g.id.slice(0, 4),
                g.querySelector('path')?.getAttribute('d') ?? '',
              ]),
            ),
          )
        },
      })
      .catch((problem: unknown) => {
        asked = null
        reject(problem instanceof Error ? problem : new Error(String(problem)))
      })
  })
  return asked
}

/** The signs, or none while they are on their way. */
export function useGlyphs(): Glyphs {
  const [glyphs, setGlyphs] = useState<Glyphs>(NONE)
  useEffect(() => {
    let here = true
    load().then(
      (found) => here && setGlyphs(found),
      () => undefined, // plain heads and stems are drawn without them
    )
    return () => {
      here = false
    }
  }, [])
  return glyphs
}

const NONE: Glyphs = new Map()
