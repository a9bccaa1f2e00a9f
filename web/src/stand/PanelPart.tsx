import type { ReactNode } from 'react'

/** A short list of a panel under its heading. */
export function PanelPart({ title, children }: { title: string; children: ReactNode }) {
  return (
    <div>
      <h2 className="font-body text-sm font-bold text-maple-dark">{title}</h2>
      <ul className="flex flex-col gap-1">{children}</ul>
    </div>
  )
}
