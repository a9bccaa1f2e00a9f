import { useParams, useSearchParams } from 'react-router'
import { useInstruments } from '../api/instruments'
import { PlayPaper } from '../walk/PlayPaper'
import { Choice } from '../ui/Choice'
import { Screen } from '../ui/Screen'
import { TextLink } from '../ui/TextLink'
import { usePieceReading } from './queries'

/** A learner’s piece on the stand: on the instrument it was written for, or on another in an octave that fits. */
export function PieceStand() {
  const params = useParams()
  const [id, piece] = [Number(params.id), Number(params.piece)]
  const [search, setSearch] = useSearchParams()
  const asked = usePieceReading(id, piece, search.get('for'))
  const instruments = useInstruments().data ?? []
  const reading = asked.data
  const moved = reading && reading.octaves !== 0 && reading.octaveChoices.find((c) => c.octaves === reading.octaves)
  return (
    <Screen title={reading?.title ?? 'A piece'} className="flex min-h-0 flex-1 flex-col">
      <PlayPaper
        asked={asked}
        head={() => (
          <div className="flex flex-wrap items-start justify-between gap-x-6 gap-y-2">
            <div>
              <TextLink to={`/classes/${id}/pieces`}>Back to the pieces</TextLink>
              <h1 className="text-title">{reading?.title}</h1>
              {reading && (
                <p className="text-sm text-soft">
                  {reading.keyName}
                  {moved && ` · ${moved.words}`}
                </p>
              )}
            </div>
            <Choice
              label="Read on"
              hideLabel
              value={reading?.instrument.id ?? ''}
              options={instruments.map((i) => ({ value: i.id, label: i.name }))}
              onChange={(instrument) => setSearch({ for: instrument }, { replace: true })}
            />
          </div>
        )}
      />
    </Screen>
  )
}
