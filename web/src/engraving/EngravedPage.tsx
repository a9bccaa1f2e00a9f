import { memo, useEffect, useLayoutEffect, useMemo, useRef, useState, type MouseEvent } from 'react'
import type { Engravable } from '../api/client'
import { TROUBLE_PX, isPlain, measure, noteAt, rowScale, type Form, type Layout, type RowId } from './layout'
import { WORDS } from './room'
import { RowLayer } from './RowLayer'

const NONE: readonly string[] = []

/** Scrolls in steps of more than so many views are made at once: what lies between is not worth drawing. */
const FAR_VIEWS = 2

/**
 * One engraved picture with its rows. Where one stands in it is marked on what is drawn: a step through the notes draws
 * nothing anew.
 */
export const EngravedPage = memo(function EngravedPage({
  svg,
  reading,
  rows,
  now = NONE,
  same = NONE,
  above,
  onPick,
  onLayout,
  form,
}: {
  svg: string
  reading: Engravable
  rows: readonly RowId[]
  /** The note that one stands on, with those tied to it. */
  now?: readonly string[]
  /** Notes to ring. */
  same?: readonly string[]
  /** Text above each system, by its order on the page. */
  above?: readonly string[] | undefined
  /** Gets the id of a note that was pointed at. */
  onPick?: ((id: string) => void) | undefined
  onLayout?: (layout: Layout) => void
  /** What it is engraved for, the stand where left out. A small one has no bar numbers and no names of rows. */
  form?: Form
}) {
  const page = useRef<HTMLDivElement>(null)
  const picture = useRef<HTMLDivElement>(null)
  const [layout, setLayout] = useState<Layout | null>(null)
  const found = useRef<Map<string, Element[]>>(null)
  const isNote = useMemo(() => new Set(reading.notes.flatMap((n) => [n.id, ...n.tiedIds])), [reading])

  // A picture with nothing over it need not be laid out at once.
  const isMeasured =
    rows.length > 0 || above !== undefined || onPick !== undefined || onLayout !== undefined || form === undefined
  useLayoutEffect(() => {
    if (!picture.current) return
    picture.current.innerHTML = svg
    if (!isMeasured) return
    const measured = measure(picture.current)
    // They have kept the room of the rows, and have no more to do.
    for (const syllable of picture.current.querySelectorAll('.verse')) syllable.remove()
    setLayout(measured)
    onLayout?.(measured)
  }, [svg, onLayout, isMeasured])

  // What is drawn is looked up once, not at each step.
  useLayoutEffect(() => {
    found.current = null
  }, [reading, layout, rows, svg])
  const elementsOf = (ids: readonly string[]) => {
    if (ids.length === 0 || !page.current) return []
    found.current ??= elementsById(page.current)
    return ids.flatMap((id) => found.current?.get(id) ?? [])
  }
  useEffect(() => mark(elementsOf(now), 'is-now'), [now, reading, layout, svg])
  useEffect(
    () =>
      mark(
        elementsOf(same).filter((e) => e.matches('g.note')),
        'is-same',
      ),
    [same, reading, layout, svg],
  )

  const pick = (event: MouseEvent) => {
    if (!onPick || !picture.current || !layout) return
    const id =
      (event.target as Element).closest('g.note')?.id ?? noteAt(picture.current, layout, (n) => isNote.has(n), event)
    if (id) onPick(id)
  }

  return (
    <div ref={page} className={`engraved relative ${isPlain(form) ? 'plain' : ''}`}>
      {/* Keyboard users walk the notes with the arrow keys of the stand. */}
      {/* eslint-disable-next-line jsx-a11y/click-events-have-key-events, jsx-a11y/no-static-element-interactions */}
      <div ref={picture} onClick={pick} />
      {above &&
        layout?.systems.map((system, i) => (
          <p
            key={system.bars[0]}
            className="absolute"
            style={{
              left: WORDS.left,
              right: WORDS.right,
              bottom: `calc(100% - ${system.head - TROUBLE_PX}px)`,
              ...WORDS.type,
            }}
          >
            {above[i]}
          </p>
        ))}
      {layout && (
        <RowLayer
          reading={reading}
          layout={layout}
          rows={rows}
          onPick={onPick}
          unlabelled={isPlain(form)}
          scale={rowScale(form)}
        />
      )}
    </div>
  )
})

/** The notes of a page and what in its rows belongs to them, by the notes’ ids. */
function elementsById(page: HTMLElement) {
  const found = new Map<string, Element[]>()
  for (const element of page.querySelectorAll<HTMLElement | SVGElement>('g.note, [data-of]')) {
    const id = element.dataset.of ?? element.id
    const own = found.get(id)
    if (own) own.push(element)
    else found.set(id, [element])
  }
  return found
}

/** Marks elements, brings the first note among them into view, and answers how to unmark them. */
function mark(elements: readonly Element[], as: 'is-now' | 'is-same') {
  elements.forEach((e) => e.classList.add(as))
  const head = elements[0]?.querySelector('.notehead')
  if (head) show(head)
  return () => elements.forEach((e) => e.classList.remove(as))
}

function show(head: Element) {
  const view = head.closest('.paper-scroll')
  const away = view ? Math.abs(head.getBoundingClientRect().top - view.getBoundingClientRect().top) : 0
  const far = view !== null && away > FAR_VIEWS * view.clientHeight
  head.scrollIntoView({ block: 'nearest', inline: 'nearest', behavior: far ? 'instant' : 'auto' })
}
