import { useEffect, useLayoutEffect, useRef, useState, type MouseEvent } from 'react'
import type { Engravable } from '../api/client'
import { TROUBLE_PX, measure, rowScale, type Form, type Layout, type RowId } from './layout'
import { WORDS } from './room'
import { RowLayer } from './RowLayer'

const NONE: readonly string[] = []

/** One engraved picture with its rows. */
export function EngravedPage({
  svg,
  reading,
  rows,
  now = null,
  same = NONE,
  above,
  onPick,
  onLayout,
  form,
}: {
  svg: string
  reading: Engravable
  rows: readonly RowId[]
  now?: string | null
  /** Notes to ring. */
  same?: readonly string[]
  /** Text above each system, by its order on the page. */
  above?: readonly string[]
  onPick?: (id: string) => void
  onLayout?: (layout: Layout) => void
  /** What it is engraved for, the stand where left out. A small one has no bar numbers and no names of rows. */
  form?: Form
}) {
  const host = useRef<HTMLDivElement>(null)
  const [layout, setLayout] = useState<Layout | null>(null)

  useLayoutEffect(() => {
    if (!host.current) return
    host.current.innerHTML = svg
    const measured = measure(host.current)
    setLayout(measured)
    onLayout?.(measured)
  }, [svg, onLayout])

  useEffect(() => {
    const ids = reading.notes.filter((n) => n.id === now).flatMap((n) => [n.id, ...n.tiedIds])
    const marked = ids.map((id) => host.current?.querySelector(`[id="${id}"]`)).filter((e) => e != null)
    marked.forEach((e) => e.classList.add('is-now'))
    marked[0]?.querySelector('.notehead')?.scrollIntoView({ block: 'nearest', inline: 'nearest' })
    return () => marked.forEach((e) => e.classList.remove('is-now'))
  }, [now, reading, layout])

  useEffect(() => {
    const marked = same.map((id) => host.current?.querySelector(`[id="${id}"]`)).filter((e) => e != null)
    marked.forEach((e) => e.classList.add('is-same'))
    marked[0]?.querySelector('.notehead')?.scrollIntoView({ block: 'nearest', inline: 'nearest' })
    return () => marked.forEach((e) => e.classList.remove('is-same'))
  }, [same, layout])

  const pick = (event: MouseEvent) => {
    const id = (event.target as Element).closest('g.note')?.id
    const note = reading.notes.find((n) => n.id === id || n.tiedIds.includes(id ?? ''))
    if (note) onPick?.(note.id)
  }

  return (
    <div className={`engraved relative ${form === 'small' ? 'plain' : ''}`}>
      {/* Keyboard users walk the notes with the arrow keys of the stand. */}
      {/* eslint-disable-next-line jsx-a11y/click-events-have-key-events, jsx-a11y/no-static-element-interactions */}
      <div ref={host} onClick={pick} />
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
          now={now}
          onPick={onPick}
          unlabelled={form === 'small'}
          scale={rowScale(form)}
        />
      )}
    </div>
  )
}
