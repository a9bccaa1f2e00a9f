import type { PlotOptions } from '@observablehq/plot'
import { useEffect, useRef, useState } from 'react'
import { useWidth } from '../ui/useWidth'

export type Plot = typeof import('@observablehq/plot')

/** A picture of some figures. Its words say the same to those who do not see it. */
export function Chart({
  words,
  height,
  draw,
}: {
  words: string
  height: number
  draw: (plot: Plot, width: number) => PlotOptions
}) {
  const place = useRef<HTMLDivElement>(null)
  const width = useWidth(place)
  const [plot, setPlot] = useState<Plot | null>(null)
  useEffect(() => {
    let isHere = true
    // It comes only where something is drawn.
    void import('@observablehq/plot').then((loaded) => isHere && setPlot(loaded))
    return () => {
      isHere = false
    }
  }, [])
  useEffect(() => {
    if (!plot || width === 0 || !place.current) return
    const figure = plot.plot({
      width,
      height,
      style: { background: 'transparent', fontFamily: 'inherit', fontSize: '13px' },
      ...draw(plot, width),
    })
    figure.setAttribute('aria-hidden', 'true') // the words say it
    place.current.replaceChildren(figure)
  }, [plot, width, height, draw])
  return <div ref={place} role="img" aria-label={words} style={{ minHeight: height }} className="w-full" />
}
