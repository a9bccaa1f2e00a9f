import type { ReactNode, RefObject } from 'react'
import { EngravingMishap } from '../engraving/EngravingMishap'
import type { useEngraving } from '../engraving/useEngraving'
import { Working } from '../engraving/Working'

/** Paper that scrolls, with what makes it heard below once there is something to hear. */
export function PaperColumn({
  head,
  view,
  engraving,
  source,
  notes,
  tune,
  hear,
}: {
  head: ReactNode
  /** As wide as the music may be. */
  view: RefObject<HTMLDivElement | null>
  engraving: ReturnType<typeof useEngraving>
  /** The tune as it was written, to copy where it cannot be drawn. */
  source: string | undefined
  /** How many, to tell how long drawing them takes. */
  notes: number
  /** The engraved pages; nothing before there are any. */
  tune: ReactNode
  hear: ReactNode
}) {
  return (
    <div className="flex min-h-0 flex-col bg-sheet">
      {/* A region that scrolls must be reachable from the keyboard. */}
      <div
        className="paper-scroll min-h-0 flex-1 overflow-x-hidden overflow-y-auto px-2 pt-2 pb-6 md:px-6 md:pt-4 md:pb-10"
        data-testid="paper"
        // eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex
        tabIndex={0}
        role="region"
        aria-label="Paper"
      >
        {head}
        <div ref={view} className="min-h-40">
          <EngravingMishap engraving={engraving} source={source} />
          {tune}
          {(!tune || engraving.working) && !engraving.error && <Working notes={notes} engraving={engraving} />}
        </div>
      </div>
      {engraving.pages.length > 0 && hear}
    </div>
  )
}
