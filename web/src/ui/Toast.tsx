import { useCallback, useRef, useState, type ReactNode } from 'react'
import { ToastContext, type Toast } from './toasts'

const SHOWN_MS = 12_000

export function ToastHost({ children }: { children: ReactNode }) {
  const [toast, setToast] = useState<Toast | null>(null)
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined)
  const show = useCallback((next: Toast) => {
    clearTimeout(timer.current)
    setToast(next)
    timer.current = setTimeout(() => setToast(null), SHOWN_MS)
  }, [])

  return (
    <ToastContext value={show}>
      {children}
      <div role="status" className="no-print pointer-events-none fixed inset-x-0 bottom-6 z-40 flex justify-center">
        {toast && (
          <p className="pointer-events-auto flex items-center gap-5 rounded-md bg-ebony px-5 py-3 text-paper shadow-lg">
            {toast.text}
            {toast.action && (
              <button
                className="font-bold text-maple-pale underline underline-offset-4"
                onClick={() => {
                  toast.action?.run()
                  setToast(null)
                }}
              >
                {toast.action.label}
              </button>
            )}
          </p>
        )}
      </div>
    </ToastContext>
  )
}
