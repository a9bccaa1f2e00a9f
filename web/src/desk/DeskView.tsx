import { useEffect, useRef, type ReactNode } from 'react'
import { useWidth } from '../ui/useWidth'
import { useHistoryKeys } from '../history/useHistoryKeys'
import { useKeys } from '../ui/useKeys'
import { useSmall } from '../ui/useSmall'
import { DeskStaff } from './DeskStaff'
import { DeskTools } from './DeskTools'
import { Findings, type Remark } from './Findings'
import { idOf, nameOf, type CheckView } from './piece'
import type { Desk } from './useDesk'
import type { usePlayPiece } from './usePlayPiece'

/** In pixels: a staff space on a desk and on a phone, where a finger aims. */
const SPACE = { desk: 15, phone: 12 }

/** The desk: the staff, what the rules say beside it, the palette and tools under it. */
export function DeskView({
  desk,
  play,
  check,
  finished,
  remarks = [],
  away = false,
  head,
  foot,
}: {
  desk: Desk
  play: ReturnType<typeof usePlayPiece>
  check: CheckView | null
  /** The piece is said to be finished: what is only not written yet counts too. */
  finished: boolean
  remarks?: readonly Remark[]
  away?: boolean
  head: ReactNode
  /** Below what the rules say. */
  foot?: ReactNode
}) {
  const place = useRef<HTMLDivElement>(null)
  const room = useWidth(place)
  const small = useSmall()
  const space = small ? SPACE.phone : SPACE.desk
  const { task } = desk
  // The line that is written on stays in view.
  const bar = desk.caret?.bar
  useEffect(() => {
    place.current?.querySelector('[data-caret]')?.closest('svg')?.scrollIntoView({ block: 'nearest' })
  }, [bar, room])
  useHistoryKeys(desk)
  useKeys({
    ArrowLeft: () => desk.move(-1),
    ArrowRight: () => desk.move(1),
    ArrowUp: () => desk.elsewhere(1),
    ArrowDown: () => desk.elsewhere(-1),
    Backspace: desk.remove,
    Delete: desk.remove,
    r: desk.rest,
    ' ': () => play.play(null),
    h: () => play.play(desk.meant),
    ...Object.fromEntries(task.palette.slice(0, 9).map((p, i) => [String(i + 1), () => desk.note(p.pitch)])),
  })
  const marked = new Set(check?.findings.filter((f) => finished || !f.unfinished).map((f) => f.bar))
  const remarked = remarks.flatMap((r) => (r.bar === null ? [] : [r.bar]))
  remarked.forEach((bar) => marked.add(bar))
  const lastNote = desk.meant && desk.piece.bars[desk.meant.bar]?.[desk.meant.at]
  const named = lastNote ? nameOf(task, lastNote) : null
  return (
    <div className="flex min-h-0 flex-1 flex-col">
      {head}
      <div className="grid min-h-0 flex-1 content-start overflow-y-auto md:grid-cols-[minmax(0,1fr)_19rem] md:content-stretch">
        <div className="paper-scroll min-w-0 bg-sheet px-2 py-3 md:overflow-y-auto md:px-5">
          <div ref={place}>
            {room > 0 && (
              <DeskStaff
                task={task}
                piece={desk.piece}
                room={room}
                space={space}
                caret={desk.caret}
                chosen={desk.locked ? null : desk.chosen}
                playing={play.now && idOf(play.now)}
                marked={marked}
                pairs
                letters={task.letters}
                label={desk.locked ? 'The piece' : 'Staff to write on'}
                onPress={desk.locked ? undefined : desk.press}
                onDrag={desk.locked ? undefined : desk.drag}
              />
            )}
          </div>
          <p className="sr-only" role="status" aria-live="polite" data-testid="desk-said">
            {desk.meant && lastNote
              ? `Bar ${desk.meant.bar + 1}: ${named ? `${named.name}, ${named.pair}` : 'rest'}`
              : 'Nothing is written yet.'}
          </p>
        </div>
        <aside
          className="border-line px-4 py-3 max-md:border-t md:overflow-y-auto md:border-l"
          aria-label="Rules and advice"
        >
          <Findings check={check} finished={finished} remarks={remarks} away={away} />
          {foot}
        </aside>
      </div>
      <DeskTools desk={desk} play={play} />
    </div>
  )
}
