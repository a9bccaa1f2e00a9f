import type { LoopChoice } from '../hear/HearBar'
import type { Hear } from '../hear/useHear'
import type { Walk } from './useWalk'

/** The part of the tune that is heard again and again: a bar, a line, or from one note to another. */
export function useLoop(hear: Hear, walk: Walk) {
  const { now, notes, index, lines, line } = walk
  const set = hear.settings.loop
  // An edit can take its notes away.
  const loop = set && index?.order.has(set.from) && index.order.has(set.to) ? set : null
  /** Sets the loop's beginning or end to the present note. */
  const setEnd = (end: 'from' | 'to') => {
    if (!now) return
    const order = (id: string) => index?.order.get(id) ?? 0
    const next = { from: now.id, to: now.id, ...loop, [end]: now.id }
    hear.set({ loop: order(next.from) <= order(next.to) ? next : { from: now.id, to: now.id } })
  }
  const choose = (what: LoopChoice) => {
    if (what === 'from' || what === 'to') {
      setEnd(what)
      return
    }
    const here = lines[line]
    const span = what === 'bar' ? walk.span(walk.bar, walk.bar + 1) : here && walk.span(here.firstBar, here.endBar)
    hear.set({ loop: what === 'none' ? null : (span ?? null) })
  }
  const bars = loop && [loop.from, loop.to].map((id) => notes[index?.order.get(id) ?? 0]?.bar ?? 0)
  const words = bars && (bars[0] === bars[1] ? `bar ${bars[0]}` : `bars ${bars[0]}–${bars[1]}`)
  return { words, setEnd, choose }
}
