import { createContext } from 'react'

/**
 * Where a screen puts its tools on a small window: in the one bar at the top. Null until that is there; undefined where
 * there is none.
 */
export const Bar = createContext<HTMLElement | null | undefined>(undefined)
