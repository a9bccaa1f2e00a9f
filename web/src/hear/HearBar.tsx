import { Play, Square } from 'lucide-react'
import { memo } from 'react'
import type { Reading } from '../api/client'
import { Button } from '../ui/Button'
import { Select } from '../ui/Field'
import { Tick } from '../ui/Tick'
import { FASTEST, SLOWEST, type HearSettings } from './useHear'

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

/** Hear the tune from the present note; nothing sounds until asked. */
export const HearBar = memo(function HearBar({
  playing,
  settings,
  drones,
  loopWords,
  onSet,
  onPlay,
  onStop,
  onLoop,
}: {
  playing: boolean
  settings: HearSettings
  drones: Reading['drones']
  loopWords: string | null
  onSet: (changed: Partial<HearSettings>) => void
  onPlay: () => void
  onStop: () => void
  onLoop: (what: LoopChoice) => void
}) {
  return (
    <section
      aria-label="Hear it"
      className="flex flex-wrap items-center gap-x-2.5 gap-y-1 border-t border-line bg-paper px-3 py-1.5 text-fine"
    >
      <Button kind="go" size="small" onClick={playing ? onStop : onPlay}>
        {playing ? <Square size={15} /> : <Play size={15} />}
        {playing ? 'Stop' : 'Hear it'}
      </Button>
      <label className="flex items-center gap-2">
        Tempo
        <input
          type="range"
          min={SLOWEST}
          max={FASTEST}
          value={settings.tempo}
          onChange={(e) => onSet({ tempo: Number(e.target.value) })}
          className="w-16 accent-spruce"
        />
        <output className="w-7 text-right font-bold">{settings.tempo}</output>
      </label>
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
          width="w-20"
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
      <label className="flex items-center gap-2" title="Keep headphones and drone at a comfortable volume.">
        Volume
        <input
          type="range"
          min={0}
          max={1}
          step={0.05}
          value={settings.volume}
          onChange={(e) => onSet({ volume: Number(e.target.value) })}
          className="w-12 accent-spruce"
        />
      </label>
    </section>
  )
})
