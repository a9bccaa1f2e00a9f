import type { Engravable, ReadingNote } from '../api/client'
import { POSITION_SIZE, ROWS, rowScale, scaleOf, type Form, type RowId } from './layout'

// An unseen syllable of n bars keeps its note 2 + 3.7 n pixels from the next at full scale (measured from the engraver).
const FIXED_PX = 2
const BAR_PX = 3.7

/** Asked for between two things in a row, in CSS pixels. The engraver moves a syllable into free space before it, which can use most of this up. */
const GAP_PX = 14
/** Names are words: the more air between them. */
const WORD_GAP_PX = 19
const BOW_MARKS = { one: 11, two: 36 }

let pen: CanvasRenderingContext2D | null | undefined

function textWidth(text: string, sizePx: number, bold = false) {
  if (pen === undefined)
    pen = typeof document === 'undefined' ? null : document.createElement('canvas').getContext('2d')
  if (!pen) return text.length * sizePx * 0.6
  pen.font = `${bold ? 700 : 400} ${sizePx}px "Atkinson Hyperlegible"`
  return pen.measureText(text).width
}

function pairWidth(note: ReadingNote, sizePx: number) {
  const sign = note.sign ?? ''
  return (
    textWidth(note.label.slice(0, note.label.length - sign.length), sizePx * 0.74) +
    textWidth(sign, sizePx, sign.length > 1) +
    (note.newPosition ? 1 + textWidth(note.newPosition, sizePx * POSITION_SIZE, true) : 0) +
    (note.beyond ? textWidth('*', sizePx, true) : 0)
  )
}

const WORDS_LINE_PX = 14
/** How words above a line of music are set. */
export const WORDS = { left: 62, right: 4, type: { fontSize: 11, lineHeight: `${WORDS_LINE_PX}px` } }

/** Height of words that are set above a line of music so wide, in CSS pixels. */
export function wordsHeight(text: string, lineWidthPx: number) {
  const room = lineWidthPx - WORDS.left - WORDS.right
  let [lines, filled] = [text ? 1 : 0, 0]
  for (const word of text.split(' ')) {
    const width = textWidth(`${word} `, WORDS.type.fontSize)
    if (filled > 0 && filled + width > room) [lines, filled] = [lines + 1, 0]
    filled += width
  }
  return lines * WORDS_LINE_PX
}

/** How far apart the beginnings of each note and the next must be for each row; the counts of one note share its length. */
function distances(reading: Engravable, rows: readonly RowId[], scale: number) {
  const size = (id: RowId) => (ROWS.find((r) => r.id === id)?.size ?? 15) * scale
  const notes = reading.notes.filter((n) => !n.isGrace)
  const firstOfBar = new Set(notes.filter((n, i) => notes[i - 1]?.bar !== n.bar).map((n) => n.id))
  const needed = new Map<string, number>()
  const need = (id: string, px: number) => needed.set(id, Math.max(needed.get(id) ?? 0, px))
  const side = (widthOf: (note: ReadingNote) => number, gap = GAP_PX) => {
    const widths = notes.map(widthOf)
    notes.forEach((note, i) => need(note.id, ((widths[i] ?? 0) + (widths[i + 1] ?? 0)) / 2 + gap * scale))
  }
  if (rows.includes('pair')) side((n) => pairWidth(n, size('pair')))
  if (rows.includes('name')) side((n) => textWidth(n.name, size('name')), WORD_GAP_PX)
  if (rows.includes('bow'))
    side((n) => (n.bowAgain && firstOfBar.has(n.id) ? BOW_MARKS.two : n.bowStarts ? BOW_MARKS.one : 0))
  if (rows.includes('count')) {
    const width = (text: string) => textWidth(text, size('count'))
    reading.counts.forEach((count, i) => {
      const next = reading.counts[i + 1]
      const share = (next?.eventId === count.eventId ? next.offset : 1) - count.offset
      const text = (c: typeof count) => (c.kind === 'rest' ? `(${c.text})` : c.text)
      need(count.eventId, ((width(text(count)) + (next ? width(text(next)) : 0)) / 2 + GAP_PX * scale) / share)
    })
  }
  return needed
}

/** The MusicXML with an unseen syllable under each note, so wide that nothing in the chosen rows touches its neighbour. */
export function withRoom(xml: string, reading: Engravable, rows: readonly RowId[], form?: Form) {
  if (rows.length === 0) return xml
  const px = 100 / scaleOf(form)
  const needed = distances(reading, rows, rowScale(form))
  return xml.replace(/<note id="([^"]+)"><pitch>.*?(?=<\/note>)/g, (note, id: string) => {
    const bars = Math.max(1, Math.ceil(((needed.get(id) ?? 0) * px - FIXED_PX) / BAR_PX))
    return `${note}<lyric><syllabic>single</syllabic><text>${'|'.repeat(bars)}</text></lyric>`
  })
}
