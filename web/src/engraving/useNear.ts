import { useEffect, useState, type RefObject } from 'react'

/** How far beyond the view things are drawn already, in CSS pixels. */
const AHEAD_PX = 900

/** Which of the children with data-page lie in view of the scrolling paper, or nearly. */
export function useNear(host: RefObject<HTMLElement | null>, count: number): ReadonlySet<number> {
  const [near, setNear] = useState<ReadonlySet<number>>(new Set([0]))
  useEffect(() => {
    const element = host.current
    if (!element) return
    const observer = new IntersectionObserver(
      (seen) =>
        setNear((before) => {
          const after = new Set(before)
          for (const { target, isIntersecting } of seen) {
            const page = Number((target as HTMLElement).dataset.page)
            if (isIntersecting) after.add(page)
            else after.delete(page)
          }
          return after
        }),
      { root: element.closest('.paper-scroll'), rootMargin: `${AHEAD_PX}px 0px` },
    )
    for (const page of element.querySelectorAll(':scope > [data-page]')) observer.observe(page)
    return () => observer.disconnect()
  }, [host, count])
  return near
}
