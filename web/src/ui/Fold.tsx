import { useEffect, useEffectEvent, useId, useRef, useState, type ReactNode } from 'react'

/** A button that unfolds what there is no room for, over the rest; Esc or a press beside it folds it again. */
export function Fold({
  button,
  label,
  up = false,
  children,
}: {
  button: ReactNode
  /** Where the button shows a sign only. */
  label?: string
  /** Unfolds upwards, from a bar at the foot. */
  up?: boolean
  children: ReactNode
}) {
  const [open, setOpen] = useState(false)
  const opener = useRef<HTMLButtonElement>(null)
  const panel = useRef<HTMLDivElement>(null)
  const id = useId()
  const inside = (target: EventTarget | null) =>
    target instanceof Element &&
    // A list or dialog that was opened from here lies outside of it.
    (panel.current?.contains(target) ||
      opener.current?.contains(target) ||
      target.closest('[role=menu], [role=dialog]'))
  const onPointer = useEffectEvent((event: PointerEvent) => {
    if (!inside(event.target)) setOpen(false)
  })
  const onKey = useEffectEvent((event: KeyboardEvent) => {
    if (event.key !== 'Escape' || document.querySelector('[role=menu], [role=dialog]')) return
    event.preventDefault()
    event.stopPropagation()
    setOpen(false)
    opener.current?.focus()
  })
  useEffect(() => {
    if (!open) return
    window.addEventListener('pointerdown', onPointer, true)
    window.addEventListener('keydown', onKey, true)
    return () => {
      window.removeEventListener('pointerdown', onPointer, true)
      window.removeEventListener('keydown', onKey, true)
    }
  }, [open])
  return (
    <>
      <button
        ref={opener}
        type="button"
        aria-label={label}
        aria-expanded={open}
        aria-controls={open ? id : undefined}
        onClick={() => setOpen(!open)}
        className="flex h-11 min-w-11 shrink-0 items-center justify-center gap-1.5 rounded-md px-2 font-bold hover:bg-maple-pale aria-expanded:bg-maple-pale"
      >
        {button}
      </button>
      {open && (
        <div
          ref={panel}
          id={id}
          className={`absolute inset-x-0 z-30 flex max-h-[70dvh] flex-wrap items-center gap-x-4 gap-y-2 overflow-y-auto border-line-dark bg-paper px-4 py-3 shadow-xl ${up ? 'bottom-full border-t' : 'top-full border-b'}`}
        >
          {children}
        </div>
      )}
    </>
  )
}
