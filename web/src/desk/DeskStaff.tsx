import { useRef, type PointerEvent } from 'react'
import { useGlyphs } from './glyphs'
import { caretX, heightAt, rowsOf, yOf, type StaffBar, type StaffRow } from './staff'
import { DrawnNote, RowHead, RowLines } from './DeskSigns'
import { idOf, samePlace, type Caret, type DeskTask, type PieceDoc, type Place } from './piece'

/** Where a finger or pointer went. */
export type Press = {
  bar: number
  /** Between which notes; a note that was met is `on`. */
  at: number
  on: Place | null
  /** Half-spaces above the bottom line, as it is. */
  height: number
  /** Right of the middle of the note that was met. */
  right: boolean
}

/** How near to a head a press means it, in staff spaces. */
const NEAR = 1.1
/** A stroke so short is a press. */
const STILL_PX = 5

/** The staff of the desk: bars of one width, heads where they were put, what is given locked. */
export function DeskStaff({
  task,
  piece,
  room,
  space,
  caret,
  chosen,
  playing,
  marked,
  pairs,
  letters,
  label,
  onPress,
  onDrag,
}: {
  task: DeskTask
  piece: PieceDoc
  /** Width that there is, in pixels. */
  room: number
  /** A staff space in pixels. */
  space: number
  /** Where the next note goes; null where it can only be looked at. */
  caret: Caret | null
  chosen: Place | null
  /** Id of the note that sounds. */
  playing: string | null
  /** Bars of which something is said, from 1. */
  marked: ReadonlySet<number>
  pairs: boolean
  letters: boolean
  label: string
  onPress?: ((press: Press) => void) | undefined
  /** A note is let go at another height. */
  onDrag?: ((place: Place, height: number) => void) | undefined
}) {
  const glyphs = useGlyphs()
  const from = useRef<{ press: Press; y: number } | null>(null)
  const rows = rowsOf(task, piece, room, space)
  const meant = (row: StaffRow, event: PointerEvent<SVGSVGElement>): Press | null => {
    const box = event.currentTarget.getBoundingClientRect()
    const scale = room / box.width
    const [x, y] = [(event.clientX - box.left) * scale, (event.clientY - box.top) * scale]
    const bar = row.bars.find((b) => x < b.right) ?? row.bars.at(-1)
    if (!bar || x < (row.bars[0]?.left ?? 0) - space) return null
    const on = bar.notes.find((n) => Math.abs(n.x - x) <= NEAR * space)
    return {
      bar: bar.bar,
      at: bar.notes.filter((n) => n.x < x).length,
      on: on ? { bar: on.bar, at: on.at } : null,
      height: heightAt(row, y),
      right: on ? x > on.x : false,
    }
  }
  return (
    <div className="flex flex-col" data-testid="desk-staff">
      {rows.map((row, r) => (
        <svg
          key={r}
          viewBox={`0 0 ${room} ${row.height}`}
          width={room}
          height={row.height}
          className={`block max-w-full select-none ${onPress ? 'cursor-crosshair touch-pan-y' : ''}`}
          role="img"
          aria-label={`${label}, bars ${(row.bars[0]?.bar ?? 0) + 1} to ${(row.bars.at(-1)?.bar ?? 0) + 1}`}
          onPointerDown={(e) => {
            const press = onPress && meant(row, e)
            if (!press || e.button !== 0) return
            e.currentTarget.setPointerCapture(e.pointerId)
            from.current = { press, y: e.clientY }
          }}
          // A finger that scrolls means no note.
          onPointerCancel={() => (from.current = null)}
          onPointerUp={(e) => {
            const began = from.current
            from.current = null
            if (!began) return
            const to = meant(row, e)
            if (began.press.on && to && onDrag && Math.abs(e.clientY - began.y) > STILL_PX)
              onDrag(began.press.on, to.height)
            else onPress?.(began.press)
          }}
        >
          <RowLines row={row} />
          <RowHead row={row} task={task} glyphs={glyphs} />
          {row.bars.map((bar) => (
            <g key={bar.bar} data-bar={bar.bar + 1}>
              <BarNumber bar={bar} row={row} isMarked={marked.has(bar.bar + 1)} />
              {bar.notes.map((n) => (
                <DrawnNote
                  key={n.at}
                  task={task}
                  placed={n}
                  row={row}
                  glyphs={glyphs}
                  isChosen={samePlace(chosen, n)}
                  sounds={playing === idOf(n)}
                  pairs={pairs}
                  letters={letters}
                />
              ))}
              {caret?.bar === bar.bar && <CaretLine x={caretX(task, row, bar, caret.at)} row={row} />}
            </g>
          ))}
        </svg>
      ))}
    </div>
  )
}

function BarNumber({ bar, row, isMarked }: { bar: StaffBar; row: StaffRow; isMarked: boolean }) {
  const { space } = row
  return (
    <text
      x={bar.left + 0.2 * space}
      y={yOf(row, 10.6)}
      className={isMarked ? 'fill-brick font-bold' : 'fill-soft'}
      fontSize={1.15 * space}
      aria-hidden="true"
    >
      {bar.bar + 1}
      {isMarked && ' ●'}
    </text>
  )
}

function CaretLine({ x, row }: { x: number; row: StaffRow }) {
  return (
    <line
      x1={x}
      x2={x}
      y1={yOf(row, 11)}
      y2={yOf(row, -3)}
      className="stroke-spruce"
      strokeWidth={Math.max(2, row.space / 6)}
      data-caret
    />
  )
}
