/** Sizes of the rows under the staff, in CSS pixels, in the order in which they are drawn. */
export const ROWS = [
  { id: 'pair', label: 'Pair', key: 'p', height: 25, size: 17 },
  { id: 'name', label: 'Name', key: 'n', height: 21, size: 15 },
  { id: 'count', label: 'Count', key: 'c', height: 21, size: 15 },
  { id: 'bow', label: 'Bow', key: 'b', height: 21, size: 15 },
  { id: 'place', label: 'Bow place', key: 'r', height: 34, size: 11 },
] as const

export type RowId = (typeof ROWS)[number]['id']

const SCREEN_SCALE = 54
const PRINT_SCALE = 42
const SMALL_SCALE = 37
const LYRIC_PX = 20
/** Rows are smaller in print and beside scales. */
export const SMALL_ROWS = 0.82
/** Room above a line of music for what is said before it. */
export const ABOVE_PX = 44

/** Options for the engraver: how wide, and how much room the chosen rows need between the lines of music. */
export function engravingOptions(
  widthPx: number,
  rows: readonly RowId[],
  form?: 'small' | { heightPx: number; above?: boolean },
) {
  const small = form === 'small'
  const page = small ? undefined : form
  const height = ROWS.filter((r) => rows.includes(r.id)).reduce((sum, r) => sum + r.height, 0) * (form ? SMALL_ROWS : 1)
  // The engraver keeps a lyric line’s room itself.
  const below = Math.max(0, height - LYRIC_PX * (rows.includes('name') ? 2 : 1)) + (small ? 0 : 14)
  const extra = below + (small ? 0 : 8) + (page?.above ? ABOVE_PX : 0)
  const scale = page ? PRINT_SCALE : small ? SMALL_SCALE : SCREEN_SCALE
  const unitPx = (9 * scale) / 100
  return {
    scale,
    pageWidth: Math.round((widthPx * 100) / scale),
    pageHeight: page ? Math.round((page.heightPx * 100) / scale) : 60000,
    adjustPageHeight: !page,
    breaks: 'auto',
    header: 'none',
    footer: 'none',
    mnumInterval: 0,
    pageMarginLeft: small ? 0 : 90,
    pageMarginRight: 10,
    pageMarginTop: page?.above ? Math.round((ABOVE_PX * 100) / scale) : 20,
    // The last system's rows hang below the music.
    pageMarginBottom: Math.round((below * 100) / scale),
    spacingSystem: Math.min(48, Math.max(4, Math.round(extra / unitPx))),
    spacingNonLinear: 0.58,
    spacingLinear: small ? 0.27 : 0.22,
    lyricSize: page ? 7.4 : small ? 8 : 6.2,
    lyricTopMinMargin: 2.6,
    justifyVertically: false,
    svgRemoveXlink: true,
  }
}

/** The MusicXML with only those lyric lines that keep room for a row which is shown. */
export const withRowsOnly = (xml: string, rows: readonly RowId[]) =>
  rows.includes('name') ? xml : xml.replace(/<lyric number="2">.*?<\/lyric>/g, '')

export type Spot = { x: number; width: number; top: number; system: number }

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
    for (const element of system.querySelectorAll('g.note, g.rest, g.mRest')) {
      const head = element.querySelector('.notehead') ?? element
      const rect = head.getBoundingClientRect()
      notes.set(element.id, {
        x: rect.left + rect.width / 2 - origin.left,
        width: rect.width,
        top: element.getBoundingClientRect().top - origin.top,
        system: index,
      })
      if (element.classList.contains('note')) firstNote ??= element.id
    }
    const verse = system.querySelector('.verse')?.getBoundingClientRect()
    const rowY = verse ? verse.top + verse.height / 2 - origin.top : staff.bottom + 30
    const signs = [...system.querySelectorAll('.ending, .voltaBracket, .dir, .tempo, .fermata')].map(
      (e) => e.getBoundingClientRect().top - origin.top,
    )
    return {
      ...staff,
      head: Math.min(staff.top - 14, ...signs),
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
