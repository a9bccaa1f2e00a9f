// Measures of the screen by rectangles, for the interface tests. Each answers a list of what is wrong, in words.

/** The nearest element round it that scrolls: what lies in two such has nothing to do with one another. */
const scrollerOf = (element) => {
  for (let at = element.parentElement; at; at = at.parentElement)
    if (/auto|scroll/.test(getComputedStyle(at).overflow)) return at
  return document.documentElement
}

/** A rectangle without what is cut off, as in a title that is too long for its column. */
const uncut = (element, rect) => {
  for (let at = element; at && !/auto|scroll/.test(getComputedStyle(at).overflow); at = at.parentElement) {
    if (getComputedStyle(at).overflowX !== 'hidden') continue
    const edge = at.getBoundingClientRect()
    rect = {
      left: Math.max(rect.left, edge.left),
      right: Math.min(rect.right, edge.right),
      top: Math.max(rect.top, edge.top),
      bottom: Math.min(rect.bottom, edge.bottom),
    }
  }
  return rect
}

const isSeen = (element) => element.checkVisibility({ opacityProperty: true, visibilityProperty: true })

/** The lines of every text that can be read, as high as small letters with their strokes: line boxes are higher than ink. */
const texts = (within) => {
  const found = []
  const walk = document.createTreeWalker(within, NodeFilter.SHOW_TEXT)
  for (let node; (node = walk.nextNode()); ) {
    const element = node.parentElement
    const words = node.data.trim()
    if (!words || element.closest('script, style, option, textarea, title, .sr-only') || !isSeen(element)) continue
    const range = document.createRange()
    const start = node.data.length - node.data.trimStart().length
    range.setStart(node, start)
    range.setEnd(node, start + words.length)
    for (const { left, right, top, bottom } of range.getClientRects()) {
      const air = (bottom - top) * 0.22
      const rect = uncut(element, { left, right, top: top + air, bottom: bottom - air })
      if (rect.right - rect.left >= 1 && rect.bottom - rect.top >= 1)
        found.push({ ...rect, words, node, element, isText: true, scroller: scrollerOf(element) })
    }
  }
  return found
}

const INK = '.notehead, .stem, .accid, .flag, .dots, .ledgerLines, [data-bow], [data-trouble]'
const ink = (within) =>
  [...within.querySelectorAll(INK)].map((element) => {
    const { left, right, top, bottom } = element.getBoundingClientRect()
    const words = element.getAttribute('class') ?? element.tagName
    return { left, right, top, bottom, words, node: element, element, isText: false, scroller: scrollerOf(element) }
  })

/** Texts that cover one another, or a sign of the music. */
const overlaps = () => {
  const main = document.querySelector('main')
  const all = [...texts(main), ...ink(main)].sort((a, b) => a.top - b.top)
  const wrong = []
  all.forEach((a, i) => {
    for (let j = i + 1; j < all.length && all[j].top < a.bottom; j++) {
      const b = all[j]
      const across = Math.min(a.right, b.right) - Math.max(a.left, b.left)
      const down = Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top)
      const strangers =
        (a.isText || b.isText) &&
        a.node !== b.node &&
        a.scroller === b.scroller &&
        !a.element.contains(b.element) &&
        !b.element.contains(a.element) &&
        (a.element.closest('text') ?? a) !== b.element.closest('text')
      if (strangers && across > 0.5 && down > 0.5) wrong.push(`“${a.words}” and “${b.words}”`)
    }
  })
  return wrong
}

/** The least gaps, in pixels, between neighbours of a row under the notes, and of words over the staff to stems, heads and flags. */
const gaps = () => {
  const rows = new Map()
  for (const text of document.querySelectorAll('.engraved [data-of] text, .engraved text[data-of]')) {
    const { left, right, top, bottom } = text.getBoundingClientRect()
    const row = Math.round((top + bottom) / 12)
    rows.set(row, [...(rows.get(row) ?? []), { left, right, words: text.textContent }])
  }
  const least = { row: Infinity, words: Infinity }
  for (const row of rows.values())
    row
      .sort((a, b) => a.left - b.left)
      .forEach((text, i) => {
        if (i > 0) least.row = Math.min(least.row, text.left - row[i - 1].right)
      })
  const signs = [...document.querySelectorAll('.engraved :is(.stem, .notehead, .flag)')].map((e) => e.getBoundingClientRect())
  for (const direction of document.querySelectorAll('.engraved .dir'))
    for (const text of texts(direction))
      for (const sign of signs)
        least.words = Math.min(
          least.words,
          Math.max(sign.left - text.right, text.left - sign.right, sign.top - text.bottom, text.top - sign.bottom),
        )
  return least
}

const CONTROLS = 'a[href], button, input, select, textarea, [role=radio], [role=tab], [role=menuitem], [role=button]'

/** The least gap, in pixels, between what is said under the notes of an example and their heads, stems and ledger lines. */
const labelGap = () => {
  let least = Infinity
  for (const example of document.querySelectorAll('.key-line')) {
    const signs = [...example.querySelectorAll('.notehead, .stem, .ledgerLines')].map((e) => e.getBoundingClientRect())
    for (const verse of example.querySelectorAll('.verse'))
      for (const text of texts(verse))
        for (const sign of signs)
          if (sign.left < text.right && text.left < sign.right) least = Math.min(least, text.top - sign.bottom)
  }
  return least
}

/** What can be pressed and is less than so many pixels wide or high (WCAG 2.2, 2.5.8: links within a sentence are excepted). */
const smallTargets = (least) =>
  [...document.querySelectorAll(CONTROLS)].flatMap((element) => {
    if (element.closest('.sr-only') || element.disabled || !isSeen(element)) return []
    const own = element.getBoundingClientRect()
    if (own.width === 0) return []
    const label = (element.closest('label') ?? element).getBoundingClientRect()
    const width = Math.max(own.width, label.width)
    const height = Math.max(own.height, label.height)
    const words = (element.getAttribute('aria-label') ?? element.textContent).trim()
    const inSentence =
      getComputedStyle(element).display === 'inline' && element.parentElement.textContent.trim().length > words.length + 8
    if (inSentence || (width > least - 0.5 && height > least - 0.5)) return []
    return [`${words || element.tagName}: ${Math.round(width)}×${Math.round(height)}`]
  })

/** What reaches beyond the window’s width, or scrolls sideways within. */
const sideways = () =>
  [document.documentElement, ...document.querySelectorAll('main, main :not(svg *)')].flatMap((element) => {
    const isWindow = element === document.documentElement
    if (!isWindow && !/auto|scroll/.test(getComputedStyle(element).overflowX)) return []
    return element.scrollWidth > element.clientWidth + 1 && !element.closest('label')
      ? [`${element.tagName} ${element.getAttribute('class') ?? ''}: ${element.scrollWidth} > ${element.clientWidth}`]
      : []
  })
