import { ArrowDown, ArrowLeft, ArrowRight, ArrowUp, Music, Pin, RefreshCw, SlidersHorizontal, X } from 'lucide-react'
import type { ReactNode } from 'react'
import type { PartRequest, SheetPart } from '../api/client'
import { moveItem, pin, takeOut } from './sheet'

/** What can be done with a part of the sheet. */
export function PartTools({
  part,
  busy,
  onSettings,
  onStand,
  onAnother,
  onMove,
  onTakeOut,
}: {
  part: SheetPart | undefined
  busy: boolean
  onSettings: () => void
  onStand: () => void
  onAnother: (request: PartRequest) => void
  onMove: (by: 1 | -1) => void
  onTakeOut: () => void
}) {
  if (!part) return null
  const { request } = part
  return (
    <span className="no-print ml-auto flex gap-1">
      <Tool name={`Seed ${request.seed}, settings of ${part.name}`} onClick={onSettings}>
        <SlidersHorizontal size={15} /> Seed {request.seed}
      </Tool>
      {part.isPlayed && part.items.length === 1 && (
        <Tool name="Open on the stand" disabled={busy} onClick={onStand}>
          <Music size={15} /> On the stand
        </Tool>
      )}
      <Tool name="Another like it" disabled={busy} onClick={() => onAnother({ ...request, seed: request.seed + 1 })}>
        <RefreshCw size={15} />
      </Tool>
      <Tool name="Part up" onClick={() => onMove(-1)}>
        <ArrowUp size={15} />
      </Tool>
      <Tool name="Part down" onClick={() => onMove(1)}>
        <ArrowDown size={15} />
      </Tool>
      <Tool name="Take the part out" onClick={onTakeOut}>
        <X size={15} />
      </Tool>
    </span>
  )
}

/** What can be done with one question, or one of several exercises. */
export function ItemTools({
  part,
  at,
  onStand,
  onChange,
}: {
  part: SheetPart | undefined
  at: number
  onStand: () => void
  onChange: (part: SheetPart) => void
}) {
  if (!part) return null
  if (part.isPlayed)
    return part.items.length > 1 ? (
      <span className="no-print ml-auto">
        <Tool name="Open on the stand" onClick={onStand}>
          <Music size={14} /> On the stand
        </Tool>
      </span>
    ) : null
  const pinned = part.items[at]?.pinned
  return (
    <span className="no-print absolute -top-1 right-0 z-10 flex rounded bg-white opacity-0 group-focus-within/item:opacity-100 group-hover/item:opacity-100">
      <Tool name={pinned ? 'Let it go' : 'Pin: it stays'} onClick={() => onChange(pin(part, at))}>
        <Pin size={14} className={pinned ? 'fill-maple' : ''} />
      </Tool>
      <Tool name="Forward" onClick={() => onChange(moveItem(part, at, -1))}>
        <ArrowLeft size={14} />
      </Tool>
      <Tool name="Back" onClick={() => onChange(moveItem(part, at, 1))}>
        <ArrowRight size={14} />
      </Tool>
      <Tool name="Take it out" onClick={() => onChange(takeOut(part, at))}>
        <X size={14} />
      </Tool>
    </span>
  )
}

function Tool({
  name,
  disabled = false,
  onClick,
  children,
}: {
  name: string
  disabled?: boolean
  onClick: () => void
  children: ReactNode
}) {
  return (
    <button
      type="button"
      title={name}
      aria-label={name}
      disabled={disabled}
      onClick={onClick}
      className="flex min-h-6 min-w-6 items-center justify-center gap-1 rounded px-1 text-fine text-soft hover:bg-maple-pale hover:text-ink max-md:min-h-11 max-md:min-w-11"
    >
      {children}
    </button>
  )
}
