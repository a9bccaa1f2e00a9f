import { useEngraving } from '../engraving/engraver'

/** A scale or arpeggio, engraved with its pairs. */
export function KeyLine({
  title,
  musicXml,
  remark,
  widthPx,
}: {
  title: string
  musicXml: string
  remark: string | null
  widthPx: number
}) {
  const scale = 42
  const engraving = useEngraving(musicXml, {
    scale,
    pageWidth: Math.round((widthPx * 100) / scale),
    pageHeight: 6000,
    adjustPageHeight: true,
    breaks: 'auto',
    header: 'none',
    footer: 'none',
    lyricSize: 5,
    pageMarginTop: 10,
    pageMarginBottom: 10,
    pageMarginLeft: 0,
    pageMarginRight: 0,
    spacingLinear: 0.16,
    spacingNonLinear: 0.5,
    svgRemoveXlink: true,
  })
  return (
    <section aria-label={title}>
      <h3 className="text-base">{title}</h3>
      {remark && <p className="text-sm text-brick">{remark}</p>}
      {/* Engraved here from our own MusicXML. */}
      <div className="key-line" dangerouslySetInnerHTML={{ __html: engraving.pages[0] ?? '' }} />
    </section>
  )
}
