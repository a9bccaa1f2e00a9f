import { DeskStaff } from './DeskStaff'
import type { DeskTask, PieceDoc } from './piece'

const NO_BARS: ReadonlySet<number> = new Set()

/** The staff of the desk to be looked at. */
export function SeenStaff({
  task,
  piece,
  room,
  space,
  pairs = false,
  label,
}: {
  task: DeskTask
  piece: PieceDoc
  /** Width that there is, and a staff space, in pixels. */
  room: number
  space: number
  pairs?: boolean
  label: string
}) {
  return (
    <DeskStaff
      task={task}
      piece={piece}
      room={room}
      space={space}
      caret={null}
      chosen={null}
      playing={null}
      marked={NO_BARS}
      pairs={pairs}
      letters={false}
      label={label}
    />
  )
}
