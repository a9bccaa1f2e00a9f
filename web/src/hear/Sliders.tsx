import { FASTEST, SLOWEST } from './useHear'

/** How fast, in quarters a minute. */
export function TempoSlider({ value, onChange }: { value: number; onChange: (tempo: number) => void }) {
  return (
    <label className="flex min-h-6 items-center gap-2 max-md:min-h-11">
      <span className="max-md:sr-only">Tempo</span>
      <input
        type="range"
        min={SLOWEST}
        max={FASTEST}
        value={value}
        onChange={(e) => onChange(Number(e.target.value))}
        className="h-6 w-16 accent-spruce max-md:h-11 max-md:w-20"
      />
      <output className="w-7 text-right font-bold">{value}</output>
    </label>
  )
}

/** How loud, from 0 to 1; care is told where one lingers. */
export function VolumeSlider({ value, onChange }: { value: number; onChange: (volume: number) => void }) {
  return (
    <label
      className="flex min-h-6 items-center gap-2 max-md:min-h-11"
      title="Keep headphones, drone and loudspeaker at a comfortable volume for every ear."
    >
      Volume
      <input
        type="range"
        min={0}
        max={1}
        step={0.05}
        value={value}
        onChange={(e) => onChange(Number(e.target.value))}
        className="h-6 w-12 accent-spruce max-md:h-11 max-md:w-28"
      />
    </label>
  )
}
