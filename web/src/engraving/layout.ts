/** Size of the unseen syllables that keep the rows’ room, in half spaces of the staff: the smallest that the engraver has. */
const ROOM_SIZE = 2

/** Sizes of the rows under the staff, in CSS pixels, in the order in which they are drawn. */
export const ROWS = [
  { id: 'pair', label: 'Pair', key: 'p', height: 25, size: 17 },
  { id: 'name', label: 'Name', key: 'n', height: 21, size: 15 },
  { id: 'count', label: 'Count', key: 'c', height: 21, size: 15 },
  { id: 'bow', label: 'Bow', key: 'b', height: 21, size: 15 },
  { id: 'place', label: 'Bow place', key: 'r', height: 34, size: 11 },
] as const

/** A position's name beside a pair, against the pair: how large and how much higher. */
export const POSITION_SIZE = 0.66
export const POSITION_RISE = 0.41

export type RowId = (typeof ROWS)[number]['id']

const SCREEN_SCALE = 54
const PRINT_SCALE = 42
const SMALL_SCALE = 37
/** Room below the staff that the engraver keeps for the unseen syllables. */
const SYLLABLE_PX = 12

/** Music beside a fingerboard, or a printed page of this height with room for words above each line; the stand where left out. */
export type Form = 'small' | { heightPx: number; abovePx: number }

/** Size of the music in hundredths. */
export const scaleOf = (form?: Form) => (form === 'small' ? SMALL_SCALE : form ? PRINT_SCALE : SCREEN_SCALE)

/** Rows are smaller in print and beside scales. */
export const rowScale = (form?: Form) => (form ? 0.82 : 1)

/** Height of a page on the screen: enough for a tune of the class, little enough to be drawn at once. */
const SCREEN_PAGE_PX = 520

/** Room for the mark of a trouble spot above a note, and how high it stands there. */
export const TROUBLE_PX = 17
export const TROUBLE_RISE_PX = 14

/** Options for the engraver: how wide, and how much room the chosen rows need between the lines of music. */
export function engravingOptions(widthPx: number, rows: readonly RowId[], form?: Form) {
  const small = form === 'small'
  const page = small ? undefined : form
  const height = ROWS.filter((r) => rows.includes(r.id)).reduce((sum, r) => sum + r.height, 0) * rowScale(form)
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
    justifyVertically: false,
    svgRemoveXlink: true,
  }
}

/** Where a note lies; its top is that of what is printed over it, if anything is. */
export type Spot = { x: number; width: number; top: number; system: number }

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

/** Measures an engraved picture. Ids in it are the score's own. */
export function measure(host: HTMLElement): Layout {
  const origin = host.getBoundingClientRect()
  const notes = new Map<string, Spot>()
  const systems = [...host.querySelectorAll('g.system')].map((system, index) => {
    const staff = box(system.querySelectorAll('.staff > path'), origin)
    let firstNote: string | null = null
    const over = [...system.querySelectorAll('.dir, .tempo, .fermata, .voltaBracket, .slur')]
      .map((e) => e.getBoundingClientRect())
      .filter((r) => r.top - origin.top < staff.top)
    for (const element of system.querySelectorAll('g.note, g.rest, g.mRest')) {
      const head = element.querySelector('.notehead') ?? element
      const rect = head.getBoundingClientRect()
      const middle = rect.left + rect.width / 2
      const printed = over.filter((r) => r.left - MARK_PX < middle && middle < r.right + MARK_PX)
      notes.set(element.id, {
        x: middle - origin.left,
        width: rect.width,
        top: Math.min(element.getBoundingClientRect().top, ...printed.map((r) => r.top)) - origin.top,
        system: index,
      })
      if (element.classList.contains('note')) firstNote ??= element.id
    }
    const verse = system.querySelector('.verse')?.getBoundingClientRect()
    const rowY = verse ? verse.top + verse.height / 2 - origin.top : staff.bottom + 30
    const above = [...system.querySelectorAll('.note, .slur, .voltaBracket, .dir, .tempo, .fermata')].map(
      (e) => e.getBoundingClientRect().top - origin.top,
    )
    return {
      ...staff,
      head: Math.min(staff.top - 14, ...above),
      rowY,
      firstNote,
      bars: [...system.querySelectorAll('g.measure')].map((m) => m.id),
    }
  })
  return { notes, systems }
}

function box(elements: NodeListOf<Element>, origin: DOMRect) {
  const all = [...elements].map((e) => e.getBoundingClientRect())
  return {
    top: Math.min(...all.map((r) => r.top)) - origin.top,
    bottom: Math.max(...all.map((r) => r.bottom)) - origin.top,
    left: Math.min(...all.map((r) => r.left)) - origin.left,
    right: Math.max(...all.map((r) => r.right)) - origin.left,
  }
}
