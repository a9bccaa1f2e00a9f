import { useSyncExternalStore } from 'react'

/** A phone, or a laptop at twice the size: menus and tools fold behind one bar (48rem is Tailwind’s md). */
const SMALL = window.matchMedia('(width < 48rem)')

const listen = (tell: () => void) => {
  SMALL.addEventListener('change', tell)
  return () => SMALL.removeEventListener('change', tell)
}

/** True where the window is too narrow for everything at once. */
export const useSmall = () => useSyncExternalStore(listen, () => SMALL.matches)
