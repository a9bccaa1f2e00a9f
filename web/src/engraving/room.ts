import type { Engravable, Reading, ReadingNote } from '../api/client'
import { POSITION_SIZE, rowScale, rowSize, scaleOf, type Form, type RowId } from './layout'

// An unseen syllable of n bars keeps its note 2 + 3.7 n pixels from the next at full scale (measured from the
// engraver).
const FIXED_PX = 2
const BAR_PX = 3.7

/** Asked for between two things in a row, in CSS pixels. */
const GAP_PX = 14
/** Names are words: the more air between them. */
const WORD_GAP_PX = 19
/**
 * The engraver moves a syllable so far at most into free space before it, at full scale (three half spaces of nine
 * pixels, as the gaps show): that takes from the gap after it. So much is left at least.
 */
const FREE_PX = 27
const LEAST_GAP_PX = 5

/**
 * Words over the staff, as large as they are shown (index.css) and as the engraver reckons, in CSS pixels at full
 * scale.
 */
const DIRECTION_PX = 37
const RECKONED_PX = 18
/** Widths of its letters and of its blank, against their size. */
const RECKONED_LETTER = 0.43
const RECKONED_BLANK = 0.25
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

/**
 * How far apart the beginnings of each note and the next must be for each row; the counts of one note share its length.
 */
function distances(reading: Engravable, rows: readonly RowId[], form?: Form) {
  const scale = rowScale(form)
  const free = (FREE_PX * scaleOf(form)) / 100
  const size = (id: RowId) => rowSize(id) * scale
  const notes = reading.notes.filter((n) => !n.isGrace)
  const firstOfBar = new Set(notes.filter((n, i) => notes[i - 1]?.bar !== n.bar).map((n) => n.id))
  const needed = new Map<string, number>()
  const need = (id: string, px: number) => needed.set(id, Math.max(needed.get(id) ?? 0, px))
  const lasts = (i: number) => (notes[i + 1]?.start ?? 0) - (notes[i]?.start ?? 0)
  /**
   * How far a syllable may be moved: only where there can be space before it, after a barline or where the last note
   * had more room.
   */
  const moved = (i: number, needed: readonly number[]) =>
    firstOfBar.has(notes[i]?.id ?? '') || lasts(i - 1) > lasts(i)
      ? free
      : Math.min(free, Math.max(0, (needed[i] ?? 0) - (needed[i - 1] ?? 0)) / 2)
  const side = (widthOf: (note: ReadingNote) => number, gap = GAP_PX) => {
    const widths = notes.map(widthOf)
    const needed = notes.map((_, i) => ((widths[i] ?? 0) + (widths[i + 1] ?? 0)) / 2 + gap * scale)
    notes.forEach(({ id }, i) => {
      const left = gap * scale - moved(i, needed)
      need(id, (needed[i] ?? 0) + Math.max(0, LEAST_GAP_PX * scale - left))
    })
  }
  if (rows.includes('section'))
    for (const { pairs } of reading.sections ?? [])
      side(({ id }) => {
        const note = pairs.get(id)
        return note ? pairWidth(note, size('section')) : 0
      })
  if (rows.includes('pair')) side((n) => pairWidth(n, size('pair')))
  if (rows.includes('name')) side((n) => textWidth(n.name, size('name')), WORD_GAP_PX)
  if (rows.includes('words')) side((n) => textWidth(n.words, size('words')), WORD_GAP_PX)
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

/**
 * What stands before the first note of a line, at full scale: clef, time, each sign of the key; and the page’s margins,
 * as it is shown.
 */
const HEAD_PX = { clef: 75, time: 45, sign: 11, margins: 56 }
/** A note or rest takes so much in any case, at full scale. */
const NOTE_PX = 34

/**
 * How much smaller the music must be shown, 1 for not at all, so that its widest bar fits into a line so wide: the
 * engraver would press it together until its rows touch.
 */
export function fitOf(reading: Engravable & { fifths: number }, rows: readonly RowId[], widthPx: number, form?: Form) {
  const scale = scaleOf(form) / 100
  const needed = distances(reading, rows, form)
  const bars = reading.bars.map(({ eventIds }) =>
    eventIds.reduce((sum, id) => sum + Math.max(NOTE_PX * scale, needed.get(id) ?? 0), 0),
  )
  const head = HEAD_PX.margins + scale * (HEAD_PX.clef + HEAD_PX.time + HEAD_PX.sign * Math.abs(reading.fifths))
  return Math.min(1, widthPx / (head + bars.reduce((most, bar) => Math.max(most, bar), 0)))
}

/** Words over the staff with as many blanks after them as make them as wide for the engraver as they are. */
function padded(words: string) {
  const missing = textWidth(words, DIRECTION_PX) - words.length * RECKONED_PX * RECKONED_LETTER
  return words + '\u00a0'.repeat(Math.max(0, Math.ceil(missing / (RECKONED_PX * RECKONED_BLANK))))
}

/** What is put into a text, in place of what stands there. */
type Put = { from: number; to: number; text: string }

function withPut(text: string, put: readonly Put[]) {
  let end = 0
  const parts: string[] = []
  for (const { from, to, text: own } of [...put].sort((a, b) => a.from - b.from)) {
    parts.push(text.slice(end, from), own)
    end = to
  }
  return parts.join('') + text.slice(end)
}

/** The first bars of lines and of pages, by their ids. */
export type Breaks = { lines: ReadonlySet<string>; pages: ReadonlySet<string> }

const breakBefore = (id: string, { lines, pages }: Breaks) =>
  pages.has(id) ? '<print new-page="yes"/>' : lines.has(id) ? '<print new-system="yes"/>' : ''

/** Music as the server wrote it, with the places where more can be put. */
type Written = Pick<Reading, 'musicXml' | 'slots'>

/**
 * The MusicXML with room for what is drawn over the engraver’s picture: words as wide as they are shown, and an unseen
 * syllable in each note, so wide that nothing in the chosen rows touches its neighbour.
 * @param breaks Of lines and pages, in place of all that the tune has; null leaves those.
 */
export function withRoom(
  { musicXml, slots, ...reading }: Engravable & Written,
  rows: readonly RowId[],
  form?: Form,
  breaks: Breaks | null = null,
) {
  const words = slots.words.map(({ from, to }) => ({ from, to, text: padded(musicXml.slice(from, to)) }))
  const bars = breaks
    ? Object.entries(slots.bars).map(([id, { from, to }]) => ({ from, to, text: breakBefore(id, breaks) }))
    : []
  const notes = rows.length > 0 ? syllables(reading, slots.notes, rows, form) : []
  return withPut(musicXml, [...words, ...bars, ...notes])
}

/** The unseen syllables under the notes, which stand where the slots say. */
function syllables(
  reading: Engravable,
  slots: Readonly<Record<string, number>>,
  rows: readonly RowId[],
  form: Form | undefined,
): Put[] {
  const px = 100 / scaleOf(form)
  const needed = distances(reading, rows, form)
  return Object.entries(slots).map(([id, at]) => {
    const bars = Math.max(1, Math.ceil(((needed.get(id) ?? 0) * px - FIXED_PX) / BAR_PX))
    return {
      from: at,
      to: at,
      text: `<lyric><syllabic>single</syllabic><text>${'|'.repeat(bars)}</text></lyric>`,
    }
  })
}
