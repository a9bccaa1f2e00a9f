import { useMemo } from 'react'
import type { KeyLineOfNotes } from '../api/client'
import { EngravedPage } from '../engraving/EngravedPage'
import { engravingOptions } from '../engraving/layout'
import { withRoom } from '../engraving/room'
import { useEngraving } from '../engraving/useEngraving'

const ROWS = ['pair'] as const

/** A scale or arpeggio, engraved with its pairs. */
export function KeyLine({ line, widthPx }: { line: KeyLineOfNotes; widthPx: number }) {
  const engraving = useEngraving(
    useMemo(() => withRoom(line, ROWS, 'small'), [line]),
    engravingOptions(widthPx, ROWS, 'small'),
  )
  return (
    <section aria-label={line.title}>
      <h2 className="text-base">{line.title}</h2>
      {line.remark && <p className="text-sm text-brick">{line.remark}</p>}
      {engraving.pages[0] && <EngravedPage svg={engraving.pages[0].svg} reading={line} rows={ROWS} form="small" />}
    </section>
  )
}
