import { X } from 'lucide-react'
import { useCallback, useEffect, useEffectEvent, useRef, useState, type ReactNode } from 'react'
import { ToastContext, type Toast } from './toasts'

const SHOWN_MS = 12_000
/** So many are read at once. */
const MOST = 3

type Shown = Toast & { id: number }

/** Room for one more; what is to stay gives way last. */
function latest(shown: readonly Shown[]) {
  const room = Math.max(0, MOST - 1 - shown.filter((t) => t.stays).length)
  const passing = shown.filter((t) => !t.stays)
  const kept = passing.slice(passing.length - Math.min(room, passing.length))
  return shown.filter((t) => t.stays || kept.includes(t))
}

export function ToastHost({ children }: { children: ReactNode }) {
  const [toasts, setToasts] = useState<readonly Shown[]>([])
  const ids = useRef(0)
  const show = useCallback(
    (next: Toast) =>
      setToasts((now) => [
        ...latest(now.filter((t) => t.text !== next.text || t.action !== undefined)),
        { ...next, id: ++ids.current },
      ]),
    [],
  )
  const end = useCallback((id: number) => setToasts((now) => now.filter((t) => t.id !== id)), [])
  return (
    <ToastContext value={show}>
      {children}
      <div
        role="status"
        className="no-print pointer-events-none fixed inset-x-2 bottom-3 z-40 flex flex-col items-center gap-2 md:right-4 md:items-end"
      >
        {toasts.map((t) => (
          <ToastSlip key={t.id} toast={t} onEnd={() => end(t.id)} />
        ))}
      </div>
    </ToastContext>
  )
}

/** It goes by itself, but not from under a hand. */
function ToastSlip({ toast, onEnd }: { toast: Toast; onEnd: () => void }) {
  const [held, setHeld] = useState(false)
  const end = useEffectEvent(onEnd)
  useEffect(() => {
    if (held || toast.stays) return
    const timer = setTimeout(() => end(), SHOWN_MS)
    return () => clearTimeout(timer)
  }, [held, toast.stays])
  return (
    <div
      className="pointer-events-auto flex max-w-xl items-center gap-4 rounded-md bg-ebony py-1.5 pr-1.5 pl-5 text-paper shadow-lg"
      onPointerEnter={() => setHeld(true)}
      onPointerLeave={() => setHeld(false)}
      onFocus={() => setHeld(true)}
      onBlur={() => setHeld(false)}
    >
      <p>{toast.text}</p>
      {toast.action && (
        <button
          type="button"
          className="min-h-9 px-1 font-bold text-maple-pale underline underline-offset-4"
          onClick={() => {
            toast.action?.run()
            onEnd()
          }}
        >
          {toast.action.label}
        </button>
      )}
      <button
        type="button"
        aria-label="Put this message away"
        className="grid size-9 place-items-center"
        onClick={onEnd}
      >
        <X size={16} />
      </button>
    </div>
  )
}
