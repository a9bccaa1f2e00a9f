import { ArrowDown, ArrowUp, Play, Redo2, Square, Undo2 } from 'lucide-react'
import { Button } from '../ui/Button'
import { Select } from '../ui/Field'
import { FASTEST, SLOWEST } from '../hear/useHear'
import { PaletteStaff } from './PaletteStaff'
import { restsOf } from './piece'
import { GLYPH, useGlyphs } from './glyphs'
import type { Desk, Tool } from './useDesk'
import type { usePlayPiece } from './usePlayPiece'

const HAND_TOOLS: readonly { value: Tool; label: string }[] = [
  { value: 'head', label: 'Heads' },
  { value: 'stem', label: 'Stems' },
  { value: 'sharp', label: 'Sharps ♯' },
  { value: 'flat', label: 'Flats ♭' },
  { value: 'natural', label: 'Naturals ♮' },
]

/** The palette, the values, the rest; another try, the way back; and hearing it. */
export function DeskTools({ desk, play }: { desk: Desk; play: ReturnType<typeof usePlayPiece> }) {
  const { task, piece, locked } = desk
  const rests = restsOf(piece)
  const left = task.mostRests === null ? null : task.mostRests - rests
  // A palette with signs of its own asks for them on the staff too.
  const signs = !task.byHand && task.palette.some((p) => p.sign !== null)
  return (
    <div className="flex flex-wrap items-end gap-x-6 gap-y-2 border-t border-line bg-paper px-3 py-2 max-md:gap-x-1 max-md:gap-y-1 md:px-6">
      <PaletteStaff task={task} onNote={locked ? null : desk.note} keys />
      <div className="flex flex-col gap-1.5 max-md:contents">
        <div role="group" aria-label="Value of the next note" className="flex flex-wrap gap-1">
          {task.values.slice(0, task.allowed).map((v) => (
            <Tool
              key={v.value}
              label={v.name}
              pressed={desk.value === v.value}
              disabled={locked}
              onPress={() => desk.setValue(v.value)}
            />
          ))}
          <Tool
            label={left === null ? 'Rest' : `Rest · ${Math.max(0, left)} left`}
            disabled={locked}
            onPress={desk.rest}
            rest
          />
        </div>
        {task.byHand && (
          <div role="group" aria-label="What a press puts" className="flex flex-wrap gap-1">
            {HAND_TOOLS.map((t) => (
              <Tool
                key={t.value}
                label={t.label}
                pressed={desk.tool === t.value}
                disabled={locked}
                onPress={() => desk.setTool(t.value)}
              />
            ))}
          </div>
        )}
        {signs && (
          <div role="group" aria-label="Sign before the note" className="flex flex-wrap gap-1">
            {(
              [
                ['Sharp ♯', 1],
                ['Flat ♭', -1],
                ['Natural ♮', 0],
              ] as const
            ).map(([label, sign]) => (
              <Tool key={label} label={label} disabled={locked} onPress={() => desk.sign(sign)} />
            ))}
          </div>
        )}
      </div>
      <div className="flex flex-col gap-1.5 max-md:contents">
        <div role="group" aria-label="The last note" className="flex flex-wrap items-center gap-1">
          <span className="text-sm text-soft max-md:sr-only">The last note</span>
          <Tool
            label="Try higher"
            icon={<ArrowUp size={15} />}
            disabled={locked || !desk.meant}
            onPress={() => desk.elsewhere(1)}
          />
          <Tool
            label="Try lower"
            icon={<ArrowDown size={15} />}
            disabled={locked || !desk.meant}
            onPress={() => desk.elsewhere(-1)}
          />
        </div>
        <div className="flex flex-wrap gap-1">
          <Tool label="Take out" disabled={locked || !desk.meant} onPress={desk.remove} />
          <Tool label="Undo" icon={<Undo2 size={15} />} disabled={!desk.canUndo} onPress={desk.undo} />
          <Tool label="Redo" icon={<Redo2 size={15} />} disabled={!desk.canRedo} onPress={desk.redo} />
        </div>
      </div>
      <Hear desk={desk} play={play} />
    </div>
  )
}

function Hear({ desk, play }: { desk: Desk; play: ReturnType<typeof usePlayPiece> }) {
  return (
    <div className="flex flex-col gap-1.5 max-md:contents">
      <div className="flex flex-wrap gap-1">
        <Button kind="go" size="small" onClick={() => play.play(null)}>
          {play.playing ? <Square size={15} /> : <Play size={15} />}
          {play.playing ? 'Stop' : 'Hear it'}
        </Button>
        <Button size="small" disabled={play.playing || !desk.meant} onClick={() => play.play(desk.meant)}>
          From here
        </Button>
      </div>
      <div className="flex flex-wrap items-center gap-2">
        <Select
          size="fine"
          aria-label="Sound"
          value={play.settings.sound}
          options={[
            { value: 'plucked', label: 'Plucked' },
            { value: 'bowed', label: 'Bowed' },
          ]}
          onChoose={(sound) => play.set({ sound })}
        />
        <label className="flex min-h-6 items-center gap-1.5 text-sm max-md:min-h-11">
          <span className="max-md:sr-only">Tempo</span>
          <input
            type="range"
            min={SLOWEST}
            max={FASTEST}
            value={play.settings.tempo}
            onChange={(e) => play.set({ tempo: Number(e.target.value) })}
            className="h-6 w-20 accent-spruce max-md:h-11"
          />
          <output className="w-7 text-right font-bold">{play.settings.tempo}</output>
        </label>
      </div>
    </div>
  )
}

function Tool({
  label,
  icon,
  pressed,
  disabled,
  rest = false,
  onPress,
}: {
  label: string
  icon?: React.ReactNode
  pressed?: boolean
  disabled?: boolean
  /** With the quarter rest’s sign. */
  rest?: boolean
  onPress: () => void
}) {
  const sign = useGlyphs().get(GLYPH.rest[2])
  return (
    <button
      type="button"
      aria-pressed={pressed}
      disabled={disabled}
      onClick={onPress}
      className="flex min-h-8 items-center gap-1.5 rounded-md border border-line-dark bg-sheet px-2.5 text-sm hover:bg-maple-pale disabled:text-soft disabled:opacity-60 aria-pressed:border-spruce aria-pressed:bg-spruce aria-pressed:font-bold aria-pressed:text-paper max-md:min-h-11 pointer-coarse:min-h-11"
    >
      {icon}
      {rest && sign && (
        <svg viewBox="-20 -420 300 840" className="h-5 w-2.5 fill-current" aria-hidden="true">
          <path d={sign} transform="scale(1,-1)" />
        </svg>
      )}
      {label}
    </button>
  )
}
