import { useState, type PointerEvent } from 'react'
import { useKeys } from '../ui/useKeys'
import { Drawn, type Picture } from './Drawn'
import { Press, PressRow } from './Press'
import { staffOf } from './StaffPress'
import type { SurfaceProps } from './answering'

type Point = { x: number; y: number }
type StemDraft = { up: boolean; right: boolean }

const PLACES: readonly StemDraft[] = [
  { up: true, right: false },
  { up: true, right: true },
  { up: false, right: false },
  { up: false, right: true },
]
const MIDDLE_LINE = 4
/** A stem is an octave long, and reaches the middle line (common practice); in half spaces. */
const STEM_STEPS = 7
/** A stroke of the hand so short is a press. */
const PRESS_PX = 6

/** A head on the staff: its stem is drawn by hand, or set with the arrow keys. */
export function Stem({ question, onReply, solved, right }: SurfaceProps) {
  const [stem, setStem] = useState<StemDraft | null>(null)
  const set = (next: StemDraft) => {
    if (solved) return
    setStem(next)
    onReply({ stem: next.up ? 'up' : 'down', side: next.right ? 'right' : 'left' })
  }
  useKeys({
    ArrowUp: () => set({ up: true, right: stem?.right ?? true }),
    ArrowDown: () => set({ up: false, right: stem?.right ?? false }),
    ArrowLeft: () => set({ up: stem?.up ?? false, right: false }),
    ArrowRight: () => set({ up: stem?.up ?? true, right: true }),
  })
  const music = question.sheet.music
  const press = (label: string, next: StemDraft, pressed: boolean) => (
    <Press wide pressed={pressed} disabled={solved} onPress={() => set(next)}>
      {label}
    </Press>
  )
  return (
    music && (
      <>
        <Drawn music={music} label={question.picture} solved={solved}>
          {(picture) => (
            <StemPlaces
              picture={picture}
              note={music.notes[0]?.id ?? ''}
              stem={right ? null : stem}
              onStem={set}
              solved={solved}
            />
          )}
        </Drawn>
        <div className="mt-6 flex flex-wrap gap-x-6 gap-y-3">
          <PressRow label="Way of the stem">
            {press('Up', { up: true, right: stem?.right ?? true }, stem?.up === true)}
            {press('Down', { up: false, right: stem?.right ?? false }, stem?.up === false)}
          </PressRow>
          <PressRow label="Side of the head">
            {press('at the left', { up: stem?.up ?? false, right: false }, stem?.right === false)}
            {press('at the right', { up: stem?.up ?? true, right: true }, stem?.right === true)}
          </PressRow>
        </div>
      </>
    )
  )
}

function StemPlaces({
  picture,
  note,
  stem,
  onStem,
  solved,
}: {
  picture: Picture
  note: string
  stem: StemDraft | null
  onStem: (stem: StemDraft) => void
  solved: boolean
}) {
  const staff = staffOf(picture)
  const spot = picture.layout.notes.get(note)
  const [ink, setInk] = useState<{ from: Point; to: Point } | null>(null)
  if (!spot) return null
  const { y } = spot
  const x = (right: boolean) => spot.x + (right ? 1 : -1) * (spot.width / 2 - 1)
  const middle = staff.y(MIDDLE_LINE)
  const end = (up: boolean) =>
    up ? Math.min(y - STEM_STEPS * staff.step, middle) : Math.max(y + STEM_STEPS * staff.step, middle)
  const at = (event: PointerEvent<SVGSVGElement>) => {
    const box = event.currentTarget.getBoundingClientRect()
    const scale = (picture.height + 2 * OVER_PX) / box.height
    return { x: (event.clientX - box.left) * scale, y: (event.clientY - box.top) * scale - OVER_PX }
  }
  /** Which side of the head a stroke runs along, and whether up or down from it. */
  const drawn = (to: Point, start: Point): StemDraft => {
    const far = Math.abs(to.y - start.y) > PRESS_PX
    const across = far ? (to.x + start.x) / 2 : to.x
    return { up: far ? (to.y + start.y) / 2 < y : to.y < y, right: across > spot.x }
  }
  return (
    <svg
      viewBox={`0 ${-OVER_PX} ${picture.width} ${picture.height + 2 * OVER_PX}`}
      className={`absolute left-0 touch-none overflow-visible ${solved ? 'pointer-events-none' : 'cursor-crosshair'}`}
      style={{ top: -OVER_PX, width: picture.width, height: picture.height + 2 * OVER_PX }}
      role="group"
      aria-label="Stem"
      data-testid="stem"
      onPointerDown={(e) => {
        e.currentTarget.setPointerCapture(e.pointerId)
        setInk({ from: at(e), to: at(e) })
      }}
      onPointerMove={(e) => ink && setInk({ ...ink, to: at(e) })}
      onPointerUp={(e) => {
        setInk(null)
        if (ink) onStem(drawn(at(e), ink.from))
      }}
    >
      <rect x={0} y={-OVER_PX} width={picture.width} height={picture.height + 2 * OVER_PX} fill="transparent" />
      {!solved &&
        PLACES.map((p) => (
          <line
            key={`${p.up} ${p.right}`}
            x1={x(p.right)}
            x2={x(p.right)}
            y1={y}
            y2={end(p.up)}
            strokeWidth={2}
            strokeDasharray="3 4"
            className="stroke-line-dark"
          />
        ))}
      {ink && (
        <line x1={ink.from.x} y1={ink.from.y} x2={ink.to.x} y2={ink.to.y} strokeWidth={2} className="stroke-maple" />
      )}
      {stem && (
        <line
          x1={x(stem.right)}
          x2={x(stem.right)}
          y1={y}
          y2={end(stem.up)}
          strokeWidth={2.4}
          className={solved ? 'stroke-maple' : 'stroke-ink'}
          data-stem={`${stem.up ? 'up' : 'down'} ${stem.right ? 'right' : 'left'}`}
        />
      )}
    </svg>
  )
}

/** A stem may reach over the picture’s edge. */
const OVER_PX = 40
