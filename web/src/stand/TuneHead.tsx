import { memo } from 'react'
import type { Reading } from '../api/client'
import { useCurrentClass } from '../register/queries'
import { TextButton, TextLink } from '../ui/TextLink'
import { Tick } from '../ui/Tick'
import { NewHere } from './NewHere'
import { OctaveMenu } from '../walk/OctaveMenu'

/** Title, key and what the reader should know before the first note. */
export const TuneHead = memo(function TuneHead({
  reading,
  onUsePrinted,
  onOctave,
  onLines,
  onShow,
  onLearned,
}: {
  reading: Reading
  onUsePrinted?: (use: boolean) => void
  onOctave?: (octaves: number | null) => void
  onLines?: () => void
  onShow?: (noteIds: readonly string[]) => void
  /** Marks the tune as learned by the class that is chosen. */
  onLearned?: () => void
}) {
  const [current] = useCurrentClass()
  return (
    <div className="mb-2">
      <div className="flex flex-wrap items-baseline justify-between gap-x-6">
        <h1 className="text-title">{reading.title}</h1>
        <p className="text-sm text-soft">
          {reading.composer}
          {onOctave && (
            <>
              {' · '}
              <TextLink to={`/exercises?first=${reading.tuneId}&for=${reading.instrument.id}`}>First sheet</TextLink>
              {current && onLearned && (
                <>
                  {' · '}
                  <TextButton onClick={onLearned}>Learned …</TextButton>
                </>
              )}
            </>
          )}
        </p>
      </div>
      <p className="text-sm text-soft">
        {[reading.keyName, reading.keyWords, reading.tempoWords].filter(Boolean).join(' · ')}
        {onOctave && reading.octaveChoices.length > 1 && (
          <>
            {' · '}
            <OctaveMenu reading={reading} onOctave={onOctave} />
          </>
        )}
        {reading.line !== null && (
          <>
            {' · '}
            {onLines ? <TextButton onClick={onLines}>Line: {reading.line}</TextButton> : reading.line}
          </>
        )}
      </p>
      {onUsePrinted && reading.hasPrintedFingers && (
        <div className="mt-1 text-sm">
          <Tick checked={reading.usesPrintedFingers} onChange={onUsePrinted}>
            Keep the fingers that are printed in the source
          </Tick>
        </div>
      )}
      <NewHere reading={reading} className={current?.name} onShow={onShow} />
      {reading.goodToKnow.length > 0 && (
        <ul className="mt-1.5 border-l-4 border-maple pl-3 text-sm" aria-label="Good to know">
          {reading.goodToKnow.map((s) => (
            <li key={s}>{s}</li>
          ))}
        </ul>
      )}
    </div>
  )
})
