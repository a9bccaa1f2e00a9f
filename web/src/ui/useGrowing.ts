import { useCallback, useState } from 'react'

const STEP = 100

/** How many of a long list are drawn: some at first, and more as its end comes near. */
export function useGrowing(count: number) {
  const [room, setRoom] = useState(STEP)
  const end = useCallback((element: HTMLElement | null) => {
    if (!element) return

    const watch = new IntersectionObserver((seen) => seen.some((s) => s.isIntersecting) && setRoom((r) => r + STEP), {
      rootMargin: '600px',
    })
    watch.observe(element)
    return () => watch.disconnect()
  }, [])
  return {
    shown: Math.min(room, count),
    /** Looks at something at the end of the list, which is there while not all of it is drawn; a new one for each length. */
    end,
    more: room < count,
  }
}
