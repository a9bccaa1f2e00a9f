import { AudioLines, ChevronLeft, ChevronRight, Play, Square } from 'lucide-react'
import { memo, type ReactNode } from 'react'
import type { Reading } from '../api/client'
import { Button } from '../ui/Button'
import { Select } from '../ui/Field'
import { Fold } from '../ui/Fold'
import { Tick } from '../ui/Tick'
import { useSmall } from '../ui/useSmall'
import { TempoSlider, VolumeSlider } from './Sliders'
import type { HearSettings } from './useHear'

const SOUNDS = [
  { value: 'bowed', label: 'Bowed' },
  { value: 'plucked', label: 'Plucked' },
] as const
const LOOPS = [
  { value: 'none', label: 'off' },
  { value: 'bar', label: 'this bar' },
  { value: 'line', label: 'this line' },
  { value: 'from', label: 'from this note' },
  { value: 'to', label: 'to this note' },
] as const
const SILENT = -1

export type LoopChoice = 'none' | 'bar' | 'line' | 'from' | 'to'

/**
 * Hear the tune from the present note; nothing sounds until asked. On a small window the notes can be stepped through
 * here too.
 */
export const HearBar = memo(function HearBar({
  playing,
  settings,
  drones,
  loopWords,
  onSet,
  onToggle,
  onStep,
  onLoop,
}: {
  playing: boolean
  settings: HearSettings
  drones: Reading['drones']
  loopWords: string | null
  onSet: (changed: Partial<HearSettings>) => void
  onToggle: () => void
  onStep: (by: 1 | -1) => void
  onLoop: (what: LoopChoice) => void
}) {
  const small = useSmall()
  const hear = (
    <Button kind="go" size="small" onClick={onToggle}>
      {playing ? <Square size={15} /> : <Play size={15} />}
      {playing ? 'Stop' : 'Hear it'}
    </Button>
  )
  const tempo = <TempoSlider value={settings.tempo} onChange={(tempo) => onSet({ tempo })} />
  const rest = (
    <>
      <Select
        size="fine"
        aria-label="Sound"
        value={settings.sound}
        options={SOUNDS}
        onChoose={(sound) => onSet({ sound })}
      />
      <Tick checked={settings.countIn} onChange={(countIn) => onSet({ countIn })}>
        Count-in
      </Tick>
      <Tick checked={settings.metronome} onChange={(metronome) => onSet({ metronome })}>
        Clicks
      </Tick>
      <span className="flex items-center gap-1.5">
        Loop
        <Select
          size="fine"
          width={small ? '' : 'w-20'}
          aria-label="Loop"
          value={loopWords ? 'own' : 'none'}
          options={loopWords ? [...LOOPS, { value: 'own' as const, label: loopWords }] : LOOPS}
          onChoose={(what) => what !== 'own' && onLoop(what)}
        />
      </span>
      <span className="flex items-center gap-1.5">
        Drone
        <Select
          size="fine"
          aria-label="Drone"
          value={settings.drone ?? SILENT}
          options={[{ value: SILENT, label: 'off' }, ...drones.map((d) => ({ value: d.midi, label: d.name }))]}
          onChoose={(midi) => onSet({ drone: midi === SILENT ? null : midi })}
        />
      </span>
      <VolumeSlider value={settings.volume} onChange={(volume) => onSet({ volume })} />
    </>
  )
  return (
    <section
      aria-label="Hear it"
      className="relative flex flex-wrap items-center gap-x-2.5 gap-y-1 border-t border-line bg-paper px-3 py-1.5 text-fine max-md:justify-between max-md:gap-x-1 max-md:border-b max-md:px-1 max-md:py-0.5 min-[360px]:max-md:flex-nowrap"
    >
      {small ? (
        <>
          <StepButton label="Note before" onClick={() => onStep(-1)}>
            <ChevronLeft size={22} />
          </StepButton>
          {hear}
          <StepButton label="Next note" onClick={() => onStep(1)}>
            <ChevronRight size={22} />
          </StepButton>
          {tempo}
          <Fold label="Sound, loop and drone" up button={<AudioLines size={20} />}>
            {rest}
          </Fold>
        </>
      ) : (
        <>
          {hear}
          {tempo}
          {rest}
        </>
      )}
    </section>
  )
})

function StepButton({ label, onClick, children }: { label: string; onClick: () => void; children: ReactNode }) {
  return (
    <button
      type="button"
      aria-label={label}
      className="grid size-11 shrink-0 place-items-center rounded-md border border-line-dark bg-sheet"
      onClick={onClick}
    >
      {children}
    </button>
  )
}
