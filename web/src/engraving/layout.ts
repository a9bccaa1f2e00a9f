/**
 * Size of the unseen syllables that keep the rows’ room, in half spaces of the staff: the smallest that the engraver
 * has.
 */
const ROOM_SIZE = 2

/** Sizes of the rows under the staff, in CSS pixels, in the order in which they are drawn. */
export const ROWS = [
  { id: 'pair', label: 'Pair', key: 'p', height: 25, size: 17 },
  { id: 'name', label: 'Name', key: 'n', height: 21, size: 15 },
  { id: 'count', label: 'Count', key: 'c', height: 21, size: 15 },
  { id: 'bow', label: 'Bow', key: 'b', height: 21, size: 15 },
  { id: 'place', label: 'Bow place', key: 'r', height: 42, size: 11 },
  { id: 'words', label: 'Words', key: 's', height: 21, size: 15 },
] as const

/** The pairs of one section where all read one staff: a row each, in the order of the sections, above the others. */
const SECTION_ROW = { id: 'section', label: '', key: '', height: 23, size: 17 } as const

/** A position's name beside a pair, against the pair: how large and how much higher. */
export const POSITION_SIZE = 0.66
export const POSITION_RISE = 0.41

export type RowId = (typeof ROWS)[number]['id'] | 'section'

export type ShownRow = ((typeof ROWS)[number] | typeof SECTION_ROW) & {
  /** Which of its like it is. */
  nth: number
}

/** The chosen rows from top to bottom; a section's row as often as it is asked for. */
export const shownRows = (rows: readonly RowId[]): ShownRow[] =>
  [SECTION_ROW, ...ROWS].flatMap((row) => rows.filter((id) => id === row.id).map((_, nth) => ({ ...row, nth })))

export const rowSize = (id: RowId) => (id === 'section' ? SECTION_ROW : ROWS.find((r) => r.id === id))?.size ?? 15

/** The rows that a reading has something for: words only where some are sung. */
export const rowsOf = (reading: { notes: readonly { words: string }[] } | undefined) =>
  ROWS.filter((row) => row.id !== 'words' || reading?.notes.some((n) => n.words !== ''))

const SCREEN_SCALE = 54
const SMALL_SCALE = 37
/** Height of a staff at full scale, in millimetres: eight half spaces of nine CSS pixels. */
const FULL_STAFF_MM = (8 * 9 * 25.4) / 96
/**
 * Heights of a printed staff to choose from, in millimetres: the usual one, smaller for a long tune, larger for young
 * hands.
 */
export const STAVES_MM = [7, 8, 9, 10] as const
export const USUAL_STAFF_MM = 8
/** Room below the staff that the engraver keeps for the unseen syllables. */
const SYLLABLE_PX = 12

/**
 * Music beside a fingerboard, or a printed page of this height with a staff so high and room for words above each line;
 * the stand where left out.
 */
export type Form = 'small' | Piece | { heightPx: number; abovePx: number; staffMm: number }

/** A few bars by themselves with a staff so high, without names of rows and bar numbers, as high as they need. */
export type Piece = { pieceMm: number }

/** A small line or a piece: plain music without bar numbers and names of rows. */
export const isPlain = (form?: Form): form is 'small' | Piece =>
  form === 'small' || (form !== undefined && 'pieceMm' in form)

const staffOf = (form: Exclude<Form, 'small'>) => ('pieceMm' in form ? form.pieceMm : form.staffMm)

/** Size of the music in hundredths. */
export const scaleOf = (form?: Form) =>
  form === 'small' ? SMALL_SCALE : form ? Math.round((staffOf(form) / FULL_STAFF_MM) * 100) : SCREEN_SCALE

/** Rows are smaller in print, in keeping with the staff, and beside scales. */
export const rowScale = (form?: Form) =>
  !form ? 1 : form === 'small' ? LITTLE_ROWS : (LITTLE_ROWS * staffOf(form)) / USUAL_STAFF_MM
const LITTLE_ROWS = 0.82

/** Height of a page on the screen: enough for a tune of the class, little enough to be drawn at once. */
const SCREEN_PAGE_PX = 520

/** Room for the mark of a trouble spot above a note, and how high it stands there. */
export const TROUBLE_PX = 17
export const TROUBLE_RISE_PX = 14

/** Options for the engraver: how wide, and how much room the chosen rows need between the lines of music. */
export function engravingOptions(widthPx: number, rows: readonly RowId[], form?: Form) {
  const small = isPlain(form)
  const page = small ? undefined : form
  const height = shownRows(rows).reduce((sum, r) => sum + r.height, 0) * rowScale(form)
  const below = Math.max(0, height - SYLLABLE_PX) + (small ? 0 : 14)
  const extra = below + (small ? 0 : 8) + (page?.abovePx ? page.abovePx + TROUBLE_PX : 0)
  const scale = scaleOf(form)
  const unitPx = (9 * scale) / 100
  return {
    scale,
    pageWidth: Math.round((widthPx * 100) / scale),
    pageHeight: Math.round(((page?.heightPx ?? SCREEN_PAGE_PX) * 100) / scale),
    adjustPageHeight: !page,
    breaks: 'auto',
    header: 'none',
    footer: 'none',
    mnumInterval: 0,
    pageMarginLeft: small ? 0 : 90,
    pageMarginRight: 10,
    pageMarginTop: page?.abovePx ? Math.round(((page.abovePx + TROUBLE_PX) * 100) / scale) : 20,
    // The last system's rows hang below the music.
    pageMarginBottom: Math.round((below * 100) / scale),
    spacingSystem: Math.min(48, Math.max(4, Math.round(extra / unitPx))),
    spacingNonLinear: 0.58,
    spacingLinear: small ? 0.27 : 0.22,
    lyricSize: ROOM_SIZE,
    lyricWordSpace: 0.5,
    lyricTopMinMargin: 5.8,
    dynamDist: 0.5,
    defaultBottomMargin: 1.3,
    justifyVertically: false,
    svgRemoveXlink: true,
  }
}

/** Options for a score of several staves, with the same rows under each. */
export function stavesOptions(widthPx: number, rows: readonly RowId[]) {
  const options = engravingOptions(widthPx, rows)
  const height = shownRows(rows).reduce((sum, r) => sum + r.height, 0)
  return {
    ...options,
    spacingStaff: Math.min(48, Math.max(12, Math.round((height + STAVES_AIR_PX) / ((9 * options.scale) / 100)))),
    // A system of four staves is higher than a page of the screen.
    pageHeight: options.pageHeight * 2,
  }
}

/** Air between the rows of one staff and the next staff. */
const STAVES_AIR_PX = 22

/** Where a note’s head lies; its top is that of what is printed over it, if anything is. */
export type Spot = { x: number; y: number; width: number; top: number; system: number }

/** Half the width of a mark above a note, with air. */
const MARK_PX = 8

/** Where the engraved things lie, in CSS pixels from the picture's corner. */
export type Layout = {
  notes: Map<string, Spot>
  systems: {
    /** Top of what stands above the staff. */
    head: number
    top: number
    bottom: number
    rowY: number
    left: number
    right: number
    firstNote: string | null
    bars: string[]
  }[]
}

/**
 * Measures an engraved picture. Ids in it are the score's own. Where it is shown smaller than it is, as on a phone, it
 * is measured as it is. In a score of several parts every staff of a system counts as a system of its own, from top to
 * bottom.
 */
export function measure(host: HTMLElement): Layout {
  const rectOf = rects(host)
  const notes = new Map<string, Spot>()
  const systems: Layout['systems'] = []
  for (const system of host.querySelectorAll('g.system')) {
    const bars = [...system.querySelectorAll('g.measure')]
    const signs = [...system.querySelectorAll('.dir, .tempo, .fermata, .voltaBracket, .slur')].map(rectOf)
    let above = -Infinity
    for (const parts of stavesOf(bars)) {
      const find = (selector: string) => parts.flatMap((part) => [...part.querySelectorAll(selector)])
      const lines = around(find(':scope > path').map(rectOf))
      const over = signs.filter((r) => r.top < lines.top && r.top > above)
      let firstNote: string | null = null
      for (const element of find('g.note, g.rest, g.mRest')) {
        const head = rectOf(element.querySelector('.notehead') ?? element)
        const middle = (head.left + head.right) / 2
        const printed = over.filter((r) => r.left - MARK_PX < middle && middle < r.right + MARK_PX)
        notes.set(element.id, {
          x: middle,
          y: (head.top + head.bottom) / 2,
          width: head.right - head.left,
          top: Math.min(rectOf(element).top, ...printed.map((r) => r.top)),
          system: systems.length,
        })
        if (element.classList.contains('note')) firstNote ??= element.id
      }
      const verse = find('.verse')[0]
      const verseAt = verse && rectOf(verse)
      systems.push({
        ...lines,
        head: Math.min(lines.top - 14, ...find('.note').map((e) => rectOf(e).top), ...over.map((r) => r.top)),
        rowY: verseAt ? (verseAt.top + verseAt.bottom) / 2 : lines.bottom + 30,
        firstNote,
        bars: bars.map((m) => m.id),
      })
      above = lines.bottom
    }
  }
  return { notes, systems }
}

/** The staves of a system from top to bottom, each as its parts bar by bar. */
function stavesOf(bars: readonly Element[]): Element[][] {
  const each = bars.map((bar) => [...bar.querySelectorAll('g.staff')])
  return Array.from({ length: Math.max(0, ...each.map((b) => b.length)) }, (_, n) => each.flatMap((b) => b[n] ?? []))
}

/** A finger that comes down so near means a note, in CSS pixels across. */
const REACH_PX = 30

/**
 * The note that is meant by a point in a picture: the nearest in the line of music there, from what is over its staff
 * to its rows.
 * @param isNote Tells notes from rests.
 * @param point In CSS pixels of the window.
 */
export function noteAt(
  host: HTMLElement,
  { notes, systems }: Layout,
  isNote: (id: string) => boolean,
  point: { clientX: number; clientY: number },
): string | null {
  const { origin, scale } = shownAt(host)
  const [x, y] = [(point.clientX - origin.left) * scale, (point.clientY - origin.top) * scale]
  const line = systems.findIndex((s) => s.head <= y && y <= s.rowY)
  let found: string | null = null
  let nearest = REACH_PX * scale
  for (const [id, spot] of notes) {
    const away = Math.abs(spot.x - x)
    if (spot.system === line && away < nearest && isNote(id)) [found, nearest] = [id, away]
  }
  return found
}

type Rect = { top: number; bottom: number; left: number; right: number }

/** Where a picture is in the window, and how much larger it is than it is shown. */
function shownAt(host: HTMLElement) {
  const picture = host.querySelector('svg')
  const shown = picture?.getBoundingClientRect().width
  const own = Number.parseFloat(picture?.getAttribute('width') ?? '')
  return { origin: host.getBoundingClientRect(), scale: shown && own ? own / shown : 1 }
}

/** Where an element lies in CSS pixels of the picture, from its corner. */
function rects(host: HTMLElement) {
  const { origin, scale } = shownAt(host)
  return (element: Element): Rect => {
    const r = element.getBoundingClientRect()
    return {
      top: (r.top - origin.top) * scale,
      bottom: (r.bottom - origin.top) * scale,
      left: (r.left - origin.left) * scale,
      right: (r.right - origin.left) * scale,
    }
  }
}

const around = (all: readonly Rect[]): Rect => ({
  top: Math.min(...all.map((r) => r.top)),
  bottom: Math.max(...all.map((r) => r.bottom)),
  left: Math.min(...all.map((r) => r.left)),
  right: Math.max(...all.map((r) => r.right)),
})
