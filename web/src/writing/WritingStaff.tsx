import { useMemo, useRef } from 'react'
import type { StaffSpot, WritingEvent } from '../api/client'
import { useWidth } from '../ui/useWidth'
import { StaffLine, type Pointed } from './StaffLine'
import type { Writing } from './useWriting'

const NONE: ReadonlySet<string> = new Set()
const NO_HEADS: readonly number[] = []

const isBefore = (a: { bar: number; at: number }, b: { bar: number; at: number }) =>
  a.bar < b.bar || (a.bar === b.bar && a.at < b.at)

/** The ids of what is selected. */
function selected(events: readonly WritingEvent[], { state }: Writing['view']): ReadonlySet<string> {
  const { caret, anchor } = state
  if (!anchor) return NONE
  const [from, to] = isBefore(caret, anchor) ? [caret, anchor] : [anchor, caret]
  return new Set(events.filter((e) => !isBefore(e, from) && isBefore(e, to)).map((e) => e.id))
}

/** The staff that one writes on: lines of four bars, each drawn anew only when it changes. */
export function WritingStaff({
  writing,
  spots,
  onWrite,
  onRepitch,
  onCaret,
}: {
  writing: Writing
  spots: ReadonlyMap<number, StaffSpot>
  /** A line or space was pressed where no note is. */
  onWrite: (at: Pointed) => void
  onRepitch: (note: { bar: number; at: number }, height: number) => void
  onCaret: (at: { bar: number; at: number }) => void
}) {
  const { view, heads } = writing
  const { caret } = view.state
  const chosen = useMemo(() => selected(view.events, view), [view])
  const lines = useMemo(
    () =>
      view.systems.map((system) => {
        const firstBar = system.bars[0] ?? 0
        const end = firstBar + system.bars.length
        return {
          firstBar,
          musicXml: system.musicXml,
          bars: view.bars.slice(firstBar, end),
          events: view.events.filter((e) => e.bar >= firstBar && e.bar < end),
        }
      }),
    [view],
  )
  const place = useRef<HTMLDivElement>(null)
  const room = useWidth(place)
  return (
    <div ref={place} className="flex flex-col gap-1 overflow-hidden" data-testid="writing-staff">
      {lines.map((line) => {
        const here = caret.bar >= line.firstBar && caret.bar < line.firstBar + line.bars.length
        return (
          <StaffLine
            key={line.firstBar}
            {...line}
            caret={here ? caret : null}
            selection={chosen}
            heads={here ? heads : NO_HEADS}
            spots={spots}
            room={room}
            onPress={(at) => (at.onNote ? onCaret({ bar: at.bar, at: at.at + 1 }) : onWrite(at))}
            onDrag={onRepitch}
          />
        )
      })}
    </div>
  )
}
