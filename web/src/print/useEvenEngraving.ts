import { useMemo } from 'react'
import type { Breaks } from '../engraving/room'
import { useEngraving, type Engraving } from '../engraving/useEngraving'
import { evenLines } from './evenLines'

/**
 * Pages of music of which none ends on a line of one bar: where the engraver leaves such a line, its breaks are set
 * anew.
 * @param xmlWith The music with these breaks, or with its own.
 */
export function useEvenEngraving(
  xmlWith: ((breaks: Breaks | null) => string) | undefined,
  options: Record<string, unknown>,
): Engraving {
  const xml = useMemo(() => xmlWith?.(null), [xmlWith])
  const first = useEngraving(xml, options, 'tune')
  const isWhole = !first.working && !first.error && first.pages.length === first.count
  const even = useMemo(() => (xml && isWhole ? evenLines(first.pages) : null), [xml, isWhole, first.pages])
  const evenXml = useMemo(() => (even ? xmlWith?.(even) : undefined), [xmlWith, even])
  const second = useEngraving(evenXml, evenXml ? { ...options, breaks: 'encoded' } : null, 'tune')
  if (!even) return first
  // The pages as they were stay until the first of the new ones is there.
  return second.pages.length > 0 || second.error ? second : { ...first, working: true }
}
