import { createContext, use } from 'react'

export type Toast = {
  text: string
  action?: { label: string; run: () => void }
  /** It stays until it is put away. */
  stays?: boolean
}

export const ToastContext = createContext<(toast: Toast) => void>(() => {})

/**
 * Shows a short message at the foot of the screen, with an action such as Undo. A new one does not take away the last
 * ones.
 */
export const useToast = () => use(ToastContext)
