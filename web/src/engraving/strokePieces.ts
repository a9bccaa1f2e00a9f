import type { Travel } from '../api/client'
import type { Layout, Spot } from './layout'

/** A part of a stroke that lies in one system: from x1 to x2, and from where to where along the bow. */
export type StrokePiece = { system: number; x1: number; x2: number; from: number; to: number }

/** Air before the next note. */
const AIR_PX = 3

/**
 * A stroke lasts until the note or rest after its last note. One that goes on in the next system has a piece in each;
 * of one that comes from the page before, or goes on on the next, there is the piece on this page.
 * @param ids The notes and rests of the page, in order.
 */
export function strokePieces(
  travel: Travel,
  ids: readonly string[],
  order: ReadonlyMap<string, number>,
  layout: Layout,
): StrokePiece[] {
  const from = order.get(travel.noteId)
  const to = order.get(travel.lastId)
  const first = from === undefined ? undefined : layout.notes.get(travel.noteId)
  const last = to === undefined ? undefined : layout.notes.get(travel.lastId)
  const half = (travel.from + travel.to) / 2
  const edge = (spot: Spot, side: 'left' | 'right') => layout.systems[spot.system]?.[side] ?? spot.x
  const beginning = first && {
    system: first.system,
    x1: first.x,
    x2: edge(first, 'right'),
    from: travel.from,
    to: half,
  }
  if (!last) return beginning ? [beginning] : []
  const after = layout.notes.get(ids[(to ?? 0) + 1] ?? '')
  const end = after && after.system === last.system ? after.x - AIR_PX : edge(last, 'right')
  if (first && first.system === last.system)
    return [{ system: first.system, x1: first.x, x2: end, from: travel.from, to: travel.to }]
  const rest = { system: last.system, x1: edge(last, 'left'), x2: end, from: half, to: travel.to }
  return beginning ? [beginning, rest] : [rest]
}
