import { useLayoutEffect, useState, type RefObject } from 'react'

/**
 * The width of an element in CSS pixels, in steps of 20 so that a dragged window does not engrave anew at every pixel.
 */
export function useWidth(ref: RefObject<HTMLElement | null>) {
  const [width, setWidth] = useState(0)
  useLayoutEffect(() => {
    const element = ref.current
    if (!element) return
    const observer = new ResizeObserver(() => setWidth(Math.floor(element.clientWidth / 20) * 20))
    observer.observe(element)
    return () => observer.disconnect()
  })
  return width
}
