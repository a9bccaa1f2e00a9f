import { useMemo } from 'react'
import { useEngraving, type Engraving } from '../engraving/useEngraving'
import { evenLines, withBreaks } from './evenLines'

/** Pages of music of which none ends on a line of one bar: where the engraver leaves such a line, its breaks are set anew. */
export function useEvenEngraving(xml: string | undefined, options: Record<string, unknown>): Engraving {
  const first = useEngraving(xml, options, 'tune')
  const isWhole = !first.working && !first.error && first.pages.length === first.count
  const even = useMemo(() => (xml && isWhole ? evenLines(first.pages) : null), [xml, isWhole, first.pages])
  const evenXml = useMemo(() => (xml && even ? withBreaks(xml, even) : undefined), [xml, even])
  const second = useEngraving(evenXml, evenXml ? { ...options, breaks: 'encoded' } : null, 'tune')
  if (!even) return first
  // The pages as they were stay until the first of the new ones is there.
  return second.pages.length > 0 || second.error ? second : { ...first, working: true }
}
