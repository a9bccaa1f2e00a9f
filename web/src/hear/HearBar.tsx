import { Play, Square } from 'lucide-react'
import { Tick } from '../ui/Tick'
import { FASTEST, SLOWEST, type HearSettings } from './useHear'

const DRONES = ['C', 'C♯', 'D', 'E♭', 'E', 'F', 'F♯', 'G', 'A♭', 'A', 'B♭', 'B'].map((name, i) => ({
  name,
  midi: 48 + i,
}))
const BUTTON = 'rounded-md border border-line-dark bg-sheet px-1 py-0.5 hover:bg-maple-pale'

export type LoopChoice = 'none' | 'bar' | 'line' | 'from' | 'to'

/** Hear the tune from the present note; nothing sounds until asked. */
export function HearBar({
  playing,
  settings,
  loopWords,
  onSet,
  onPlay,
  onStop,
  onLoop,
}: {
  playing: boolean
  settings: HearSettings
  loopWords: string | null
  onSet: (changed: Partial<HearSettings>) => void
  onPlay: () => void
  onStop: () => void
  onLoop: (what: LoopChoice) => void
}) {
  return (
    <section
      aria-label="Hear it"
      className="flex flex-wrap items-center gap-x-2.5 gap-y-1 border-t border-line bg-paper px-3 py-1.5 text-[13px]"
    >
      <button
        type="button"
        onClick={playing ? onStop : onPlay}
        className="flex items-center gap-1.5 rounded-md bg-spruce px-2.5 py-1 text-sm font-bold text-paper hover:bg-spruce-dark"
      >
        {playing ? <Square size={15} /> : <Play size={15} />}
        {playing ? 'Stop' : 'Hear it'}
      </button>
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
      <select
        aria-label="Sound"
        value={settings.sound}
        onChange={(e) => {
          onSet({ sound: e.target.value as HearSettings['sound'] })
          e.target.blur()
        }}
        className={BUTTON}
      >
        <option value="bowed">Bowed</option>
        <option value="plucked">Plucked</option>
      </select>
      <Tick checked={settings.countIn} onChange={(countIn) => onSet({ countIn })}>
        Count-in
      </Tick>
      <Tick checked={settings.metronome} onChange={(metronome) => onSet({ metronome })}>
        Clicks
      </Tick>
      <span className="flex items-center gap-1.5">
        Loop
        <select
          aria-label="Loop"
          value={loopWords ? 'own' : 'none'}
          onChange={(e) => {
            onLoop(e.target.value as LoopChoice)
            e.target.blur() // the stand's keys work again at once
          }}
          className={`${BUTTON} w-20`}
        >
          <option value="none">off</option>
          <option value="bar">this bar</option>
          <option value="line">this line</option>
          <option value="from">from this note</option>
          <option value="to">to this note</option>
          {loopWords && <option value="own">{loopWords}</option>}
        </select>
      </span>
      <label className="flex items-center gap-1.5">
        Drone
        <select
          value={settings.drone ?? ''}
          onChange={(e) => {
            onSet({ drone: e.target.value === '' ? null : Number(e.target.value) })
            e.target.blur()
          }}
          className={BUTTON}
        >
          <option value="">off</option>
          {DRONES.map((d) => (
            <option key={d.midi} value={d.midi}>
              {d.name}
            </option>
          ))}
        </select>
      </label>
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
}
