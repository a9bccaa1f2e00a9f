import { useCurrentClass } from '../register/queries'
import type { Reading, Together } from '../api/client'
import { OctaveMenu } from '../walk/OctaveMenu'
import type { MakeChange } from '../walk/useChanges'
import { usePins } from '../walk/usePins'
import type { TogetherScore } from './useTogetherScore'

/** The tune’s title, and for each section how it reads it and what it cannot play. */
export function TogetherHead({ score, make }: { score: TogetherScore; make: MakeChange }) {
  const [current] = useCurrentClass()
  const { together, lead, readings } = score
  if (!together || !lead || !readings) return null
  const cannot = together.sections.filter((s) => s.cannotPlay.length > 0)
  return (
    <div className="mb-2">
      <div className="flex flex-wrap items-baseline justify-between gap-x-6">
        <h1 className="text-title">{lead.title}</h1>
        <p className="text-sm text-soft">{current ? `All of ${current.name}` : 'All sections'}</p>
      </div>
      <p className="text-sm text-soft">{[lead.keyName, lead.keyWords, lead.tempoWords].filter(Boolean).join(' · ')}</p>
      <ul aria-label="Sections" className="mt-1 flex flex-wrap gap-x-5 gap-y-0.5 text-sm">
        {together.sections.map((s, i) => (
          <li key={s.key}>
            <SectionWords section={s} reading={readings[i]} tuneId={together.tuneId} make={make} />
          </li>
        ))}
      </ul>
      {cannot.length > 0 && (
        <ul className="mt-1.5 border-l-4 border-brick pl-3 text-sm" aria-label="Out of reach">
          {cannot
            .flatMap((s) => s.cannotPlay)
            .map((text) => (
              <li key={text}>{text}</li>
            ))}
        </ul>
      )}
    </div>
  )
}

function SectionWords({
  section,
  reading,
  tuneId,
  make,
}: {
  section: Together['sections'][number]
  reading: Reading | undefined
  tuneId: number
  make: MakeChange
}) {
  const { octave } = usePins(tuneId, section.instrument, make)
  const beyond =
    section.beyond > 0 && `${section.beyond === 1 ? 'one note' : `${section.beyond} notes`} beyond the class (*)`
  return (
    <>
      <span className="font-bold">{section.name}</span>{' '}
      {[section.learners > 0 && `× ${section.learners}`, section.name.includes(',') ? null : section.line, beyond]
        .filter(Boolean)
        .join(' · ')}{' '}
      {reading && (reading.octaveChosen || section.moved || section.cannotPlay.length > 0) && (
        <OctaveMenu reading={reading} onOctave={octave} />
      )}
    </>
  )
}
