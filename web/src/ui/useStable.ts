import { useCallback, useLayoutEffect, useRef } from 'react'

/** The action in a form that stays the same from drawing to drawing, so that what gets it need not be drawn anew. */
export function useStable<A extends unknown[], R>(action: (...args: A) => R): (...args: A) => R {
  const latest = useRef(action)
  useLayoutEffect(() => {
    latest.current = action
  })
  return useCallback((...args: A) => latest.current(...args), [])
}
