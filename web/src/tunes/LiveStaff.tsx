import { useRef } from 'react'
import { scaleOf } from '../engraving/layout'
import { useEngraving } from '../engraving/useEngraving'
import { useWidth } from '../ui/useWidth'

const optionsFor = (widthPx: number) => {
  const scale = scaleOf('small')
  return {
    scale,
    pageWidth: Math.round((widthPx * 100) / scale),
    pageHeight: 60000,
    adjustPageHeight: true,
    breaks: 'auto',
    header: 'none',
    footer: 'none',
    pageMarginTop: 20,
    pageMarginBottom: 20,
    pageMarginLeft: 0,
    pageMarginRight: 10,
    spacingSystem: 6,
    spacingLinear: 0.25,
    spacingNonLinear: 0.5,
    svgRemoveXlink: true,
  }
}

/** The notes of a text while it is typed: what one sees is what was understood. */
export function LiveStaff({ musicXml, label }: { musicXml: string | null | undefined; label: string }) {
  const place = useRef<HTMLDivElement>(null)
  const width = useWidth(place)
  const engraving = useEngraving(musicXml ?? undefined, width ? optionsFor(width) : null)
  if (!musicXml) return null
  return (
    <div ref={place} data-testid="live-staff" className="max-h-72 overflow-y-auto border-y border-line bg-sheet">
      {engraving.error && <p className="text-sm">The notes cannot be drawn here; the text itself is kept as it is.</p>}
      {/* Engraved here from our own MusicXML. */}
      <div
        className="engraved plain"
        role="img"
        aria-label={label}
        dangerouslySetInnerHTML={{ __html: engraving.pages.map((p) => p.svg).join('') }}
      />
    </div>
  )
}
