import type { KeyLineOfNotes } from '../api/client'
import { useEngraving } from '../engraving/engraver'
import { EngravedPage } from '../engraving/EngravedPage'
import { engravingOptions, SMALL_ROWS, withRowsOnly } from '../engraving/layout'

const ROWS = ['pair'] as const

/** A scale or arpeggio, engraved with its pairs. */
export function KeyLine({ line, widthPx }: { line: KeyLineOfNotes; widthPx: number }) {
  const engraving = useEngraving(withRowsOnly(line.musicXml, ROWS), engravingOptions(widthPx, ROWS, 'small'))
  return (
    <section aria-label={line.title}>
      <h3 className="text-base">{line.title}</h3>
      {line.remark && <p className="text-sm text-brick">{line.remark}</p>}
      {engraving.pages[0] && (
        <EngravedPage svg={engraving.pages[0]} reading={line} rows={ROWS} plain rowScale={SMALL_ROWS} />
      )}
    </section>
  )
}
