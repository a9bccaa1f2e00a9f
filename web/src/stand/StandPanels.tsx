import type { ReactNode } from 'react'

export const PANELS = [
  { id: 'why', label: 'Why here' },
  { id: 'before', label: 'Before' },
  { id: 'bow', label: 'Bow' },
  { id: 'count', label: 'Count' },
  { id: 'form', label: 'Form' },
] as const

export type PanelId = (typeof PANELS)[number]['id']

/** Tabs below the fingerboard: one question about the music at a time. */
export function StandPanels({
  panel,
  onPanel,
  children,
}: {
  panel: PanelId
  onPanel: (panel: PanelId) => void
  children: ReactNode
}) {
  return (
    <>
      <div role="tablist" aria-label="About the music" className="mb-2 flex gap-3.5 text-sm">
        {PANELS.map((p) => (
          <button
            key={p.id}
            type="button"
            role="tab"
            aria-selected={panel === p.id}
            onClick={() => onPanel(p.id)}
            className="border-b-2 border-transparent pb-0.5 text-soft aria-selected:border-maple aria-selected:font-bold aria-selected:text-ink"
          >
            {p.label}
          </button>
        ))}
      </div>
      {children}
    </>
  )
}
