import { useRef } from 'react'
import type { StyleExample } from '../api/client'
import { useEngraving } from '../engraving/useEngraving'
import { useWidth } from '../ui/useWidth'

const SCALE = 34
const OPTIONS = {
  scale: SCALE,
  pageWidth: Math.round((330 * 100) / SCALE),
  pageHeight: 3000,
  adjustPageHeight: true,
  breaks: 'none',
  header: 'none',
  footer: 'none',
  lyricSize: 5.4,
  // Our type is wider than the one that the engraver reckons with.
  lyricWordSpace: 3,
  // Below the lowest note, not beside it.
  lyricTopMinMargin: 4.5,
  pageMarginTop: 10,
  pageMarginBottom: 10,
  pageMarginLeft: 0,
  pageMarginRight: 0,
  spacingLinear: 0.3,
  spacingNonLinear: 0.5,
  svgRemoveXlink: true,
}

/** A few notes that a setting changes, as they will be printed. */
export function Example({ example }: { example: StyleExample }) {
  const engraving = useEngraving(example.musicXml, OPTIONS)
  const place = useRef<HTMLDivElement>(null)
  const room = useWidth(place)
  const svg = engraving.pages[0]?.svg ?? ''
  const own = Number(/ width="([\d.]+)px"/.exec(svg)?.[1] ?? 0)
  return (
    <div ref={place} data-example={example.setting} data-printed={example.printed.join(' ')}>
      {example.words ? (
        <p>{example.words}</p>
      ) : (
        // Engraved here from our own MusicXML.
        <div
          className="key-line min-h-20"
          role="img"
          aria-label={`${example.instrument}: ${example.printed.join(', ')}`}
          // Long words make it wider than a phone.
          style={{ zoom: room && own ? Math.min(1, room / own) : 1 }}
          dangerouslySetInnerHTML={{ __html: svg }}
        />
      )}
    </div>
  )
}
