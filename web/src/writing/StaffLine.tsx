import { memo, useLayoutEffect, useMemo, useRef, useState, type PointerEvent } from 'react'
import type { StaffSpot, WritingBar, WritingEvent } from '../api/client'
import { useEngraving } from '../engraving/useEngraving'
import { caretX, heightAt, meantAt, measureLine, yOf, type LineGeometry } from './geometry'

/** Larger than on the stand: one aims at its lines and spaces. */
const SCALE = 68
const OPTIONS = {
  scale: SCALE,
  pageWidth: 60000,
  pageHeight: 3000,
  adjustPageHeight: true,
  adjustPageWidth: true,
  breaks: 'none',
  header: 'none',
  footer: 'none',
  mnumInterval: 0,
  pageMarginTop: 110,
  pageMarginBottom: 90,
  pageMarginLeft: 20,
  pageMarginRight: 20,
  spacingLinear: 0.32,
  spacingNonLinear: 0.55,
  svgRemoveXlink: true,
}
/** From one note that waits to the next. */
const HEAD_STEP_PX = 20

export type Pointed = { bar: number; at: number; height: number; onNote: boolean }

/** A few bars of the writing staff: engraved, with the caret, the note under the pointer, and what its bars lack. */
export const StaffLine = memo(function StaffLine({
  musicXml,
  bars,
  firstBar,
  events,
  caret,
  selection,
  heads,
  spots,
  room,
  onPress,
  onDrag,
}: {
  musicXml: string
  bars: readonly WritingBar[]
  firstBar: number
  events: readonly WritingEvent[]
  /** Where the caret is, or null where it is in another line. */
  caret: { bar: number; at: number } | null
  selection: ReadonlySet<string>
  /** Heights of notes that are not answered yet. */
  heads: readonly number[]
  spots: ReadonlyMap<number, StaffSpot>
  /** Width that there is, in CSS pixels. */
  room: number
  onPress: (at: Pointed) => void
  /** A note is let go at another height. */
  onDrag: (note: { bar: number; at: number }, height: number) => void
}) {
  const engraving = useEngraving(musicXml, OPTIONS)
  const svg = engraving.pages[0]?.svg ?? ''
  const picture = useRef<HTMLDivElement>(null)
  const [line, setLine] = useState<LineGeometry | null>(null)
  const [ghost, setGhost] = useState<{ x: number; height: number } | null>(null)
  const drag = useRef<{ bar: number; at: number; height: number } | null>(null)
  const ids = useMemo(() => new Map(bars.map((b, i) => [firstBar + i, b.id])), [bars, firstBar])

  useLayoutEffect(() => {
    if (!picture.current) return
    picture.current.innerHTML = svg
    fitInto(picture.current, room)
    setLine(measureLine(picture.current, events, ids))
    // The events are those of the picture when it is there.
  }, [svg, events, ids, room])
  useLayoutEffect(() => {
    for (const e of picture.current?.querySelectorAll('g.note, g.rest, g.mRest') ?? [])
      e.classList.toggle('is-now', selection.has(e.id))
  }, [selection, line])

  const pointed = (event: PointerEvent) => {
    const box = picture.current?.getBoundingClientRect()
    if (!line || !box) return null
    const [x, y] = [event.clientX - box.left, event.clientY - box.top]
    const meant = meantAt(line, x)
    const height = heightAt(line, y)
    return meant && spots.has(height) ? { ...meant, height, x } : null
  }
  const onMove = (event: PointerEvent) => {
    const at = pointed(event)
    setGhost(
      at && (event.pointerType !== 'touch' || drag.current)
        ? { x: at.on ? (at.on.left + at.on.right) / 2 : at.x, height: at.height }
        : null,
    )
  }
  const onDown = (event: PointerEvent<HTMLDivElement>) => {
    const at = pointed(event)
    if (!at || event.button !== 0) return
    event.currentTarget.setPointerCapture(event.pointerId)
    const own = at.on && events.find((e) => e.bar === at.bar && e.at === at.at)
    drag.current = { bar: at.bar, at: at.at, height: own?.height ?? at.height }
    if (!at.on) {
      onPress({ bar: at.bar, at: at.at, height: at.height, onNote: false })
      drag.current = null
    }
  }
  const onUp = (event: PointerEvent) => {
    const from = drag.current
    drag.current = null
    const at = from && pointed(event)
    if (!at) return
    if (at.height === from.height) onPress({ ...from, onNote: true })
    else onDrag(from, at.height)
  }
  const x = line && caret ? caretX(line, caret) : null
  const spot = ghost && spots.get(ghost.height)
  return (
    <div className="relative w-max" data-staff-line={firstBar}>
      {/* What the pointer does the keys do as well. */}
      {}
      <div
        className="engraved plain cursor-crosshair touch-none select-none"
        onPointerMove={onMove}
        onPointerLeave={() => setGhost(null)}
        onPointerDown={onDown}
        onPointerUp={onUp}
      >
        <div ref={picture} />
      </div>
      {line && (
        <svg className="pointer-events-none absolute inset-0 h-full w-full overflow-visible" aria-hidden="true">
          {x !== null && (
            <line
              x1={x}
              x2={x}
              y1={yOf(line, 12)}
              y2={yOf(line, -4)}
              className="stroke-spruce"
              strokeWidth={2.5}
              data-caret
            />
          )}
          {x !== null &&
            heads.map((height, i) => (
              <Head key={i} line={line} x={x + 8 + i * HEAD_STEP_PX} height={height} className="fill-ink" />
            ))}
          {ghost && spot && (
            <g data-ghost={spot.name}>
              <Head line={line} x={ghost.x} height={ghost.height} className="fill-maple opacity-70" />
              <text
                x={ghost.x}
                y={yOf(line, Math.max(13, ghost.height + 4))}
                textAnchor="middle"
                className="fill-maple-dark text-sm font-bold"
                dominantBaseline="central"
                paintOrder="stroke"
                stroke="var(--color-sheet)"
                strokeWidth={5}
              >
                {spot.name} · {spot.pair}
              </text>
            </g>
          )}
          {line.bars.map(({ bar, left, right }) => {
            const lacks = bars[bar - firstBar]?.lacks
            return (
              lacks && (
                <text
                  key={bar}
                  x={(left + right) / 2}
                  y={yOf(line, -7)}
                  textAnchor="middle"
                  className="fill-brick text-mark"
                  data-lacks={bar}
                >
                  {lacks}
                </text>
              )
            )
          })}
        </svg>
      )}
    </div>
  )
})

/** Shows a line that is wider than its room smaller. */
function fitInto(host: HTMLElement, room: number) {
  const drawn = host.querySelector('svg')
  const [width, height] = ['width', 'height'].map((side) => Number.parseFloat(drawn?.getAttribute(side) ?? ''))
  if (!drawn || !width || !height || !room || width <= room) return
  drawn.setAttribute('viewBox', `0 0 ${width} ${height}`)
  drawn.setAttribute('width', `${room}px`)
  drawn.setAttribute('height', `${(height * room) / width}px`)
}

/** A note head with its ledger lines. */
function Head({ line, x, height, className }: { line: LineGeometry; x: number; height: number; className: string }) {
  const ledgers: number[] = []
  for (let h = -2; h >= height; h -= 2) ledgers.push(h)
  for (let h = 10; h <= height; h += 2) ledgers.push(h)
  return (
    <g className={className}>
      {ledgers.map((h) => (
        <rect key={h} x={x - 10} width={20} y={yOf(line, h) - 0.6} height={1.2} />
      ))}
      <ellipse
        cx={x}
        cy={yOf(line, height)}
        rx={line.step * 1.28}
        ry={line.step * 0.92}
        transform={`rotate(-18 ${x} ${yOf(line, height)})`}
      />
    </g>
  )
}
