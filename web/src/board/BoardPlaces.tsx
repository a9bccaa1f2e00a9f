import { memo, useRef, useState, type KeyboardEvent } from 'react'
import type { Instrument } from '../api/client'
import { BOARD, boardSize, type Place } from './boardSize'

const STEPS: Record<string, Place | undefined> = {
  ArrowLeft: { string: -1, semitones: 0 },
  ArrowRight: { string: 1, semitones: 0 },
  ArrowUp: { string: 0, semitones: -1 },
  ArrowDown: { string: 0, semitones: 1 },
}

const within = (low: number, n: number, high: number) => Math.min(high, Math.max(low, n))

/** Every place of the fingerboard as something to press; the arrow keys go from place to place. */
export const BoardPlaces = memo(function BoardPlaces({
  instrument,
  last,
  only,
  onProbe,
}: {
  instrument: Instrument
  /** The last place that is shown. */
  last: number
  /** The one string that can be pressed; all where it is left out. */
  only?: number | undefined
  onProbe: (place: Place) => void
}) {
  const [focus, setFocus] = useState<Place>({ string: only ?? 1, semitones: 0 })
  const group = useRef<SVGGElement>(null)
  const { x, y } = boardSize(instrument, last)
  const onKeyDown = (event: KeyboardEvent) => {
    const step = STEPS[event.key]
    if (step) {
      const string = only ?? within(0, focus.string + step.string, instrument.strings.length - 1)
      const semitones = within(0, focus.semitones + step.semitones, last)
      event.preventDefault()
      group.current?.querySelector<SVGGElement>(`[data-place="${string}-${semitones}"]`)?.focus()
    }
    if (event.key === 'Enter' || event.key === ' ') {
      event.preventDefault()
      onProbe(focus)
    }
  }
  /** A place reaches half way to its neighbours; that of the open string lies about the nut. */
  const reach = (n: number): [number, number] =>
    n === 0
      ? [BOARD.nutY - 25, BOARD.nutY + 6]
      : [(y(n - 1) + y(n)) / 2, n === last ? BOARD.nutY + BOARD.length : (y(n) + y(n + 1)) / 2]
  const strings = instrument.strings.filter((s) => only === undefined || s.index === only)
  return (
    <g ref={group}>
      {strings.flatMap((s) =>
        Array.from({ length: last + 1 }, (_, n) => {
          const [top, bottom] = reach(n)
          return (
            <g
              key={`${s.index}-${n}`}
              role="button"
              tabIndex={focus.string === s.index && focus.semitones === n ? 0 : -1}
              aria-label={
                n === 0 ? `open ${s.name} string` : `${s.name} string, ${n} half step${n === 1 ? '' : 's'} up`
              }
              data-place={`${s.index}-${n}`}
              className="cursor-pointer [&:focus-visible>rect]:stroke-maple-pale [&:hover>rect]:fill-paper/10"
              style={{ outline: 'none' }}
              onClick={() => onProbe({ string: s.index, semitones: n })}
              onFocus={() => setFocus({ string: s.index, semitones: n })}
              onKeyDown={onKeyDown}
            >
              <rect
                x={x(s.index) - BOARD.gap / 2 + 3}
                y={top}
                width={BOARD.gap - 6}
                height={bottom - top}
                fill="transparent"
                strokeWidth={2.5}
              />
            </g>
          )
        }),
      )}
    </g>
  )
})
