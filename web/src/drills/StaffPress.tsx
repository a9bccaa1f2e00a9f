import { useState, type PointerEvent, type ReactNode } from 'react'
import type { DrillDesk } from '../api/client'
import type { Picture } from './Drawn'

const LEDGER_PX = 11

/** Lines and spaces as pixels of the picture. */
export function staffOf({ layout }: Picture) {
  const system = layout.systems[0]
  const [top, bottom] = [system?.top ?? 0, system?.bottom ?? 1]
  const step = (bottom - top) / 8
  return {
    bottom,
    step,
    left: system?.left ?? 0,
    right: system?.right ?? 0,
    y: (height: number) => bottom - height * step,
  }
}

/**
 * A staff to press: a pointer means a line or space, the arrow keys go up and down from one to the next.
 * @param children What is drawn at the height that is meant and at those that are set.
 */
export function StaffPress({
  picture,
  desk,
  label,
  value,
  onMean,
  onPress,
  children,
}: {
  picture: Picture
  desk: DrillDesk
  label: string
  /** The height that the keys are at. */
  value: number
  onMean: (height: number) => void
  onPress: (height: number) => void
  children: (hover: number | null) => ReactNode
}) {
  const staff = staffOf(picture)
  const [hover, setHover] = useState<number | null>(null)
  const [lowest, highest] = [desk.places[0]?.height ?? 0, desk.places.at(-1)?.height ?? 8]
  const within = (height: number) => Math.min(highest, Math.max(lowest, height))
  const heightAt = (event: PointerEvent<SVGSVGElement>) => {
    const box = event.currentTarget.getBoundingClientRect()
    const y = ((event.clientY - box.top) / box.height) * (picture.height + 2 * MARGIN_PX) - MARGIN_PX
    return within(Math.round((staff.bottom - y) / staff.step))
  }
  return (
    <svg
      viewBox={`0 ${-MARGIN_PX} ${picture.width} ${picture.height + 2 * MARGIN_PX}`}
      className="absolute left-0 cursor-crosshair touch-none overflow-visible"
      style={{ top: -MARGIN_PX, width: picture.width, height: picture.height + 2 * MARGIN_PX }}
      role="slider"
      tabIndex={0}
      aria-label={label}
      aria-orientation="vertical"
      aria-valuemin={lowest}
      aria-valuemax={highest}
      aria-valuenow={value}
      aria-valuetext={desk.places.find((p) => p.height === value)?.words}
      data-testid="staff"
      onPointerMove={(e) => setHover(e.pointerType === 'touch' ? null : heightAt(e))}
      onPointerLeave={() => setHover(null)}
      onPointerUp={(e) => onPress(heightAt(e))}
      onKeyDown={(e) => {
        const by = e.key === 'ArrowUp' ? 1 : e.key === 'ArrowDown' ? -1 : 0
        if (by !== 0) onMean(within(value + by))
        else if (e.key === ' ') onPress(value)
        else return
        e.preventDefault()
      }}
    >
      <rect x={0} y={-MARGIN_PX} width={picture.width} height={picture.height + 2 * MARGIN_PX} fill="transparent" />
      {children(hover)}
    </svg>
  )
}

/** Above and below the picture, for ledger lines. */
const MARGIN_PX = 24

/** A whole note’s head with its ledger lines. */
export function Head({
  picture,
  x,
  height,
  className,
}: {
  picture: Picture
  x: number
  height: number
  className: string
}) {
  const staff = staffOf(picture)
  const ledgers: number[] = []
  for (let h = -2; h >= height; h -= 2) ledgers.push(h)
  for (let h = 10; h <= height; h += 2) ledgers.push(h)
  return (
    <g className={className} data-head={height}>
      {ledgers.map((h) => (
        <line
          key={h}
          x1={x - LEDGER_PX - staff.step}
          x2={x + LEDGER_PX + staff.step}
          y1={staff.y(h)}
          y2={staff.y(h)}
          stroke="currentColor"
          strokeWidth={1.4}
        />
      ))}
      <ellipse
        cx={x}
        cy={staff.y(height)}
        rx={staff.step * 1.35}
        ry={staff.step * 0.8}
        fill="none"
        stroke="currentColor"
        strokeWidth={staff.step * 0.42}
      />
    </g>
  )
}
