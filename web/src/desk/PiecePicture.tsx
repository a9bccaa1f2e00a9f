import { useMemo } from 'react'
import { EngravedPage } from '../engraving/EngravedPage'
import { engravingOptions, type Form } from '../engraving/layout'
import { useEngraving } from '../engraving/useEngraving'

const NO_ROWS: readonly [] = []
const NOTHING = { notes: [], bars: [], counts: [] }
const STAFF_MM = 6.5

/** A piece engraved small, to be seen at a glance. */
export function PiecePicture({ musicXml, widthPx }: { musicXml: string; widthPx: number }) {
  const form = useMemo<Form>(() => ({ pieceMm: STAFF_MM }), [])
  const options = useMemo(() => engravingOptions(widthPx, NO_ROWS, form), [widthPx, form])
  const { pages } = useEngraving(musicXml, options)
  return (
    <div className="min-h-12" aria-hidden="true">
      {pages[0] && <EngravedPage svg={pages[0].svg} reading={NOTHING} rows={NO_ROWS} form={form} />}
    </div>
  )
}
