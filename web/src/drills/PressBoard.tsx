import type { Instrument } from '../api/client'
import { BoardPlaces } from '../board/BoardPlaces'
import { BOARD, boardSize } from '../board/boardSize'
import { Strung } from '../board/Fingerboard'
import type { Place } from '../board/boardSize'
import { Spot } from '../ui/Spot'

/** A place that was pressed, or one that is right. */
export type BoardMark = Place & { sign: string; kind: 'pressed' | 'right' }

/** Places are shown to here at least. */
const LEAST_SHOWN = 8
const RADIUS = 14
/** At the nut, below the letter of its string. */
const OPEN_RADIUS = 10

/** A fingerboard to scale with its tapes, to be pressed; what was pressed is marked. */
export function PressBoard({
  instrument,
  marks,
  only,
  small = false,
  onPress,
}: {
  instrument: Instrument
  marks: readonly BoardMark[]
  only?: number | undefined
  /** There is music above it. */
  small?: boolean
  /** Null where it can only be looked at. */
  onPress: ((place: Place) => void) | null
}) {
  const last = Math.min(instrument.highestPlace, Math.max(LEAST_SHOWN, ...marks.map((m) => m.semitones + 1)))
  const { x, y } = boardSize(instrument, last)
  return (
    <svg
      viewBox={`0 0 ${BOARD.width} ${BOARD.nutY + BOARD.length + 6}`}
      className={`w-full max-w-88 ${small ? 'max-h-76' : 'max-h-[28rem]'}`}
      role="group"
      aria-label={`Fingerboard of the ${instrument.name.toLowerCase()}${only === undefined ? '' : `, ${instrument.strings[only]?.name ?? ''} string`}`}
    >
      <Strung instrument={instrument} last={last} shown={only} />
      {marks.map((m, i) => (
        <g key={i} data-mark={`${m.string}-${m.semitones}`} data-kind={m.kind}>
          <Spot
            x={x(m.string)}
            y={m.semitones === 0 ? BOARD.nutY - 1 : y(m.semitones)}
            radius={m.semitones === 0 ? OPEN_RADIUS : RADIUS}
            sign={m.sign}
            sizePx={m.semitones === 0 ? OPEN_RADIUS + 2 : RADIUS}
            className={m.kind === 'right' ? 'fill-spruce stroke-paper' : 'fill-maple stroke-paper'}
            ink={m.kind === 'right' ? 'fill-paper font-bold' : 'fill-ebony font-bold'}
          />
        </g>
      ))}
      {onPress && <BoardPlaces instrument={instrument} last={last} only={only} onProbe={onPress} />}
    </svg>
  )
}
