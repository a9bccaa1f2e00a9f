import { Tab, TabGroup, TabList, TabPanel, TabPanels } from '@headlessui/react'
import { createContext, memo, use, type ReactNode } from 'react'

export const PANELS = [
  { id: 'why', label: 'Why here' },
  { id: 'before', label: 'Before' },
  { id: 'bow', label: 'Bow' },
  { id: 'count', label: 'Count' },
  { id: 'form', label: 'Form' },
] as const

/** Where there is no room for the fingerboard above them, it is one of them. */
export const SMALL_PANELS = [{ id: 'board', label: 'Board' }, { id: 'why', label: 'Why' }, ...PANELS.slice(1)] as const

export type PanelId = (typeof SMALL_PANELS)[number]['id']
type Panels = readonly { id: PanelId; label: string }[]

const orderOf = (panel: PanelId, panels: Panels) =>
  Math.max(
    0,
    panels.findIndex((p) => p.id === panel),
  )

/** The panel after this one, round and round. */
export const nextPanel = (panel: PanelId, panels: Panels): PanelId =>
  panels[(orderOf(panel, panels) + 1) % panels.length]?.id ?? 'why'

/** The open panel. It changes with every note; the tabs do not, and are not drawn anew for it. */
const Open = createContext<ReactNode>(null)
const OpenPanel = () => use(Open)

/** Tabs about the music: one question at a time. */
export function StandPanels({
  panels,
  panel,
  onPanel,
  children,
}: {
  panels: Panels
  panel: PanelId
  onPanel: (panel: PanelId) => void
  children: ReactNode
}) {
  return (
    <Open value={children}>
      <Tabs panels={panels} panel={panel} onPanel={onPanel} />
    </Open>
  )
}

const Tabs = memo(function Tabs({
  panels,
  panel,
  onPanel,
}: {
  panels: Panels
  panel: PanelId
  onPanel: (panel: PanelId) => void
}) {
  return (
    <TabGroup selectedIndex={orderOf(panel, panels)} onChange={(i) => onPanel(panels[i]?.id ?? 'why')}>
      <TabList
        aria-label="About the music"
        className="mb-2 flex gap-3.5 text-sm max-md:sticky max-md:top-0 max-md:z-10 max-md:gap-0 max-md:bg-paper"
      >
        {panels.map((p) => (
          <Tab
            key={p.id}
            className="min-h-6 border-b-2 border-transparent pb-0.5 text-soft data-selected:border-maple data-selected:font-bold data-selected:text-ink max-md:min-h-11 max-md:min-w-11 max-md:flex-1"
          >
            {p.label}
          </Tab>
        ))}
      </TabList>
      <TabPanels>
        {panels.map((p) => (
          <TabPanel key={p.id} tabIndex={-1}>
            <OpenPanel />
          </TabPanel>
        ))}
      </TabPanels>
    </TabGroup>
  )
})
