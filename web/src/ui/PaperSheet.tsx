import { useRef, type ReactNode } from 'react'
import { useWidth } from './useWidth'

/** 12 mm at both sides. */
const MARGINS_PX = 92

/** Paper as it will be printed, A4 with margins of 12 mm; where the window is narrower, it is shown smaller. */
export function PaperSheet({ widthPx, testId, children }: { widthPx: number; testId: string; children: ReactNode }) {
  const view = useRef<HTMLDivElement>(null)
  const windowPx = useWidth(view)
  return (
    <>
      <style>{'@page { size: A4; margin: 12mm; }'}</style>
      <div ref={view} />
      <div
        className="mx-auto box-content bg-white p-[12mm] print:p-0"
        style={{ width: widthPx, zoom: windowPx ? Math.min(1, windowPx / (widthPx + MARGINS_PX)) : 1 }}
        data-testid={testId}
      >
        {children}
      </div>
    </>
  )
}
