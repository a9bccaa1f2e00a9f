import { Tab, TabGroup, TabList, TabPanel, TabPanels } from '@headlessui/react'
import { createContext, memo, use, type MouseEvent, type ReactNode } from 'react'

export const PANELS = [
  { id: 'why', label: 'Why here' },
  { id: 'before', label: 'Before' },
  { id: 'bow', label: 'Bow' },
  { id: 'count', label: 'Count' },
  { id: 'form', label: 'Form' },
] as const

export type PanelId = (typeof PANELS)[number]['id']

const orderOf = (panel: PanelId) => PANELS.findIndex((p) => p.id === panel)

/** The panel after this one, round and round. */
export const nextPanel = (panel: PanelId): PanelId => PANELS[(orderOf(panel) + 1) % PANELS.length]?.id ?? 'why'

/** After a click the stand's own keys work at once; who comes with the keyboard stays among the tabs. */
const letGo = (event: MouseEvent) => {
  if (event.detail > 0 && document.activeElement instanceof HTMLElement) document.activeElement.blur()
}

/** The open panel. It changes with every note; the tabs do not, and are not drawn anew for it. */
const Open = createContext<ReactNode>(null)
const OpenPanel = () => use(Open)

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
    <Open value={children}>
      <Tabs panel={panel} onPanel={onPanel} />
    </Open>
  )
}

const Tabs = memo(function Tabs({ panel, onPanel }: { panel: PanelId; onPanel: (panel: PanelId) => void }) {
  return (
    <TabGroup selectedIndex={orderOf(panel)} onChange={(i) => onPanel(PANELS[i]?.id ?? 'why')}>
      <TabList aria-label="About the music" onClick={letGo} className="mb-2 flex gap-3.5 text-sm">
        {PANELS.map((p) => (
          <Tab
            key={p.id}
            className="border-b-2 border-transparent pb-0.5 text-soft data-selected:border-maple data-selected:font-bold data-selected:text-ink"
          >
            {p.label}
          </Tab>
        ))}
      </TabList>
      <TabPanels>
        {PANELS.map((p) => (
          <TabPanel key={p.id} tabIndex={-1}>
            <OpenPanel />
          </TabPanel>
        ))}
      </TabPanels>
    </TabGroup>
  )
})
