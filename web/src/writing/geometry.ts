import type { WritingEvent } from '../api/client'

/** A note or rest where it is drawn. */
export type Drawn = { bar: number; at: number; isNote: boolean; left: number; right: number; y: number }

/** Where things lie in an engraved line, in CSS pixels from its corner. */
export type LineGeometry = {
  /** The lowest line of the staff, and the distance from a line to the next space. */
  bottom: number
  step: number
  bars: readonly { bar: number; left: number; right: number }[]
  events: readonly Drawn[]
}

/** How near a pointer must be to the middle of a note to mean it. */
const REACH_PX = 10
/** From a caret to the note behind it, and from the last note to the caret. */
const BEFORE_PX = 7
const AFTER_PX = 10

/** Measures a line of music that has been drawn into an element; null where nothing is drawn yet. */
export function measureLine(
  host: HTMLElement,
  events: readonly WritingEvent[],
  barIds: ReadonlyMap<number, string>,
): LineGeometry | null {
  const lines = [...(host.querySelector('g.staff')?.querySelectorAll(':scope > path') ?? [])].slice(0, 5)
  const [top, , , , low] = lines
  if (!top || !low) return null
  const origin = host.getBoundingClientRect()
  const rect = (element: Element) => {
    const r = element.getBoundingClientRect()
    return { left: r.left - origin.left, right: r.right - origin.left, y: (r.top + r.bottom) / 2 - origin.top }
  }
  const bottom = rect(low).y
  const find = (id: string) => host.querySelector(`[id="${CSS.escape(id)}"]`)
  return {
    bottom,
    step: (bottom - rect(top).y) / 8,
    bars: [...barIds].flatMap(([bar, id]) => {
      const drawn = find(id)
      return drawn ? [{ bar, ...rect(drawn) }] : []
    }),
    events: events.flatMap((e) => {
      const drawn = find(e.id)
      const head = drawn?.querySelector('.notehead') ?? drawn
      return head ? [{ bar: e.bar, at: e.at, isNote: e.height !== null, ...rect(head) }] : []
    }),
  }
}

/** The half space of the staff at a height, 0 on the bottom line. */
export const heightAt = ({ bottom, step }: LineGeometry, y: number) => Math.round((bottom - y) / step)

export const yOf = ({ bottom, step }: LineGeometry, height: number) => bottom - height * step

/** Where the caret is drawn; null where its bar is not in this line. */
export function caretX(line: LineGeometry, { bar, at }: { bar: number; at: number }): number | null {
  const own = line.events.filter((e) => e.bar === bar)
  const next = own.find((e) => e.at === at)
  if (next) return next.left - BEFORE_PX
  const before = own.at(-1)
  if (before) return before.right + AFTER_PX
  const empty = line.bars.find((b) => b.bar === bar)
  return empty ? (empty.left + empty.right) / 2 : null
}

/** What a pointer means: a note that it is on, or the gap between two that it is in. */
export function meantAt(line: LineGeometry, x: number): { bar: number; at: number; on: Drawn | null } | null {
  const last = line.bars.at(-1)
  const inside = line.bars.find((b) => x >= b.left && x < b.right) ?? (last && x >= last.right ? last : line.bars[0])
  if (!inside) return null
  const own = line.events.filter((e) => e.bar === inside.bar)
  const middle = (e: Drawn) => (e.left + e.right) / 2
  const on = own.find((e) => e.isNote && Math.abs(middle(e) - x) <= REACH_PX) ?? null
  return { bar: inside.bar, at: on ? on.at : own.filter((e) => middle(e) < x).length, on }
}
