import type { Reading } from '../api/client'
import { OctaveMenu } from './OctaveMenu'

/** Title, key and what the reader should know before the first note. */
export function TuneHead({
  reading,
  onUsePrinted,
  onOctave,
}: {
  reading: Reading
  onUsePrinted?: (use: boolean) => void
  onOctave?: (octaves: number | null) => void
}) {
  const beyond = reading.notes.filter((n) => n.beyond && n.string != null)
  const said = [
    reading.moved &&
      `Written ${reading.moved} than printed, ${reading.octaveChosen ? 'as you chose' : beyond.length + reading.warnings.length > 0 ? 'the octave that fits best' : 'so that every note is in reach'}.`,
    reading.meterWords,
    beyond.length > 0 &&
      `${beyond.length === 1 ? 'One note lies' : `${beyond.length} notes lie`} beyond what the class has learned (marked *).`,
    ...reading.warnings,
    ...reading.notices.map((n) => n.message),
  ].filter((s): s is string => Boolean(s))
  return (
    <div className="mb-2">
      <div className="flex flex-wrap items-baseline justify-between gap-x-6">
        <h1 className="text-[1.7rem] leading-tight">{reading.title}</h1>
        <p className="text-sm text-soft">{reading.composer}</p>
      </div>
      <p className="text-sm text-soft">
        {[reading.keyName, reading.keyWords, reading.tempoWords].filter(Boolean).join(' · ')}
        {onOctave && reading.octaveChoices.length > 1 && (
          <>
            {' · '}
            <OctaveMenu reading={reading} onOctave={onOctave} />
          </>
        )}
      </p>
      {onUsePrinted && reading.hasPrintedFingers && (
        <label className="mt-1 flex items-center gap-2 text-sm">
          <input
            type="checkbox"
            className="accent-spruce"
            checked={reading.usesPrintedFingers}
            onChange={(e) => onUsePrinted(e.target.checked)}
          />
          Keep the fingers that are printed in the source
        </label>
      )}
      {said.length > 0 && (
        <ul className="mt-1.5 border-l-4 border-maple pl-3 text-sm" aria-label="Good to know">
          {said.map((s) => (
            <li key={s}>{s}</li>
          ))}
        </ul>
      )}
    </div>
  )
}
