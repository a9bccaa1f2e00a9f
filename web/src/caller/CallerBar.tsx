import { ChevronLeft, ChevronRight, Maximize, Play, Square } from 'lucide-react'
import type { Together } from '../api/client'
import { TempoSlider, VolumeSlider } from '../hear/Sliders'
import { Button } from '../ui/Button'
import { Select } from '../ui/Field'
import { Fold } from '../ui/Fold'
import { Tick } from '../ui/Tick'
import { useSmall } from '../ui/useSmall'
import { PASS_WORDS } from './CallerBoard'
import { fullScreen } from './fullScreen'
import { PASSES, type PartKind } from './steps'
import type { Caller } from './useCaller'

const PARTS: { value: PartKind; label: string }[] = [
  { value: 'bar', label: 'one bar' },
  { value: 'two', label: 'two bars' },
  { value: 'line', label: 'the line' },
  { value: 'chunk', label: 'the trouble spot' },
  { value: 'whole', label: 'the whole tune' },
]

/** What the teacher needs: start and stop, what is gone through, in which way, and how fast. */
export function CallerBar({ caller, together }: { caller: Caller; together: Together }) {
  const small = useSmall()
  const { playing, settings, set, steps, at, pass, kind } = caller
  const line = steps[at]?.line ?? 0
  const lines = (
    <nav
      aria-label="Lines of the tune"
      className="flex max-w-[40vw] items-center gap-1 overflow-x-auto max-md:max-w-none"
    >
      Line
      {together.lines.map((l, i) => (
        <button
          key={l.firstBar}
          type="button"
          aria-current={i === line ? 'true' : undefined}
          onClick={() => caller.goLine(i)}
          className={`min-h-8 min-w-8 shrink-0 rounded-md border border-line-dark px-1.5 font-bold max-md:min-h-11 max-md:min-w-11 ${i === line ? 'bg-maple-pale' : 'bg-sheet hover:bg-maple-pale'}`}
        >
          <span className="sr-only">Line </span>
          {i + 1} <span className="font-normal text-maple-dark">{l.letter}</span>
        </button>
      ))}
    </nav>
  )
  const rest = (
    <>
      {lines}
      <span className="flex items-center gap-1.5">
        Go through
        <Select
          size="fine"
          aria-label="Go through"
          value={kind}
          options={kind === 'asked' ? [...PARTS, { value: 'asked' as const, label: 'these bars' }] : PARTS}
          onChoose={(next) => next !== 'asked' && caller.choose(next)}
        />
      </span>
      <div role="group" aria-label="How" className="flex rounded-md border border-line-dark">
        {PASSES.map((p, i) => (
          <button
            key={p}
            type="button"
            aria-pressed={i === pass}
            onClick={() => caller.setPass(i)}
            className="min-h-8 px-2 hover:bg-maple-pale aria-pressed:bg-maple-pale aria-pressed:font-bold max-md:min-h-11"
          >
            {PASS_WORDS[p]} <kbd className="max-md:hidden">{i + 1}</kbd>
          </button>
        ))}
      </div>
      <Tick checked={settings.again} onChange={(again) => set({ again })}>
        Again and again
      </Tick>
      <Tick checked={settings.countIn} onChange={(countIn) => set({ countIn })}>
        Count-in
      </Tick>
      <Tick checked={settings.clicks} onChange={(clicks) => set({ clicks })}>
        Clicks
      </Tick>
      <Tick checked={settings.aloud} onChange={(aloud) => set({ aloud })}>
        Plays along
      </Tick>
      <VolumeSlider value={settings.volume} onChange={(volume) => set({ volume })} />
      {!small && (
        <Button size="small" onClick={fullScreen}>
          <Maximize size={15} /> Full screen
        </Button>
      )}
    </>
  )
  return (
    <section
      aria-label="Caller"
      className="relative flex flex-wrap items-center gap-x-3 gap-y-1 border-t border-line bg-paper px-3 py-1.5 text-fine max-md:flex-nowrap max-md:justify-between"
    >
      <Button size="small" aria-label="Step back" onClick={caller.back}>
        <ChevronLeft size={18} />
      </Button>
      <Button size="small" aria-label="Next step" onClick={caller.next}>
        <ChevronRight size={18} />
      </Button>
      <Button kind="go" size="small" onClick={caller.play}>
        {playing ? <Square size={15} /> : <Play size={15} />}
        {playing ? 'Stop' : 'Start'}
      </Button>
      {!playing && !small && (
        <Button size="small" onClick={caller.playAll}>
          All four ways
        </Button>
      )}
      <TempoSlider value={settings.tempo} onChange={(tempo) => set({ tempo })} />
      {small ? (
        <Fold label="Lines and ways" up button="More">
          <Button size="small" onClick={caller.playAll}>
            All four ways
          </Button>
          {rest}
        </Fold>
      ) : (
        rest
      )}
    </section>
  )
}
