import { useQuery } from '@tanstack/react-query'
import { usePlace } from '../walk/queries'
import type { Instrument } from '../api/client'
import { useEngraving } from '../engraving/useEngraving'
import { TextButton } from '../ui/TextLink'
import type { Place } from '../board/boardSize'

const OPTIONS = {
  scale: 46,
  pageWidth: 620,
  pageHeight: 900,
  adjustPageHeight: true,
  adjustPageWidth: true,
  pageMarginTop: 10,
  pageMarginBottom: 10,
  pageMarginLeft: 0,
  header: 'none',
  footer: 'none',
}

/** A place picked on the fingerboard, shown as a note on the staff. */
export function PlaceOnStaff({
  instrument,
  fifths,
  place,
  found,
  onClose,
}: {
  instrument: Instrument
  fifths: number
  place: Place
  found: number
  onClose: () => void
}) {
  const { data } = usePlace(instrument.id, fifths, place)
  const engraving = useEngraving(data?.musicXml, OPTIONS)
  // The engraver's own picture: made here from our MusicXML, never from outside.
  const picture = useQuery({
    queryKey: ['place-picture', engraving.pages[0]?.svg],
    queryFn: () => `data:image/svg+xml;utf8,${encodeURIComponent(engraving.pages[0]?.svg ?? '')}`,
    enabled: engraving.pages.length > 0,
    staleTime: Infinity,
  }).data
  return (
    <section aria-label="On the staff" aria-live="polite" className="text-said">
      <h2 className="text-xl">
        {data ? data.name : '…'}{' '}
        <span className="text-maple-dark">{instrument.strings[place.string]?.name} string</span>
      </h2>
      {data && (
        <>
          <p className="text-sm text-soft">{data.label ? `${data.label}, ${data.words}` : data.words}</p>
          {picture && <img src={picture} alt={`${data.pitch} on the staff: ${data.staff}`} className="my-1 h-24" />}
          <p>
            On the staff: {data.staff}.{' '}
            {found > 0
              ? `This tune has it ${found === 1 ? 'once' : `${found} times`}, ringed in green.`
              : 'This tune does not have it.'}
          </p>
        </>
      )}
      <p className="mt-2">
        <TextButton onClick={onClose}>
          Back to the tune <kbd>Esc</kbd>
        </TextButton>
      </p>
    </section>
  )
}
