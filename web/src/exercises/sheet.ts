import type { SheetDoc, SheetItem, SheetPart } from '../api/client'

/** A sheet on the bench. */
export type Bench = {
  /** Null as long as it is not kept. */
  id: number | null
  version: number
  heading: string
  nameLine: boolean
  instruments: string[]
  parts: SheetPart[]
}

export const EMPTY: Bench = { id: null, version: 1, heading: '', nameLine: true, instruments: [], parts: [] }

type ItemDoc = SheetDoc['parts'][number]['items'][number]

const itemDoc = (item: SheetItem): ItemDoc => ({
  id: item.id,
  pinned: item.pinned,
  questions: Object.fromEntries(
    Object.entries(item.each).map(([instrument, q]) => [instrument, q.question]),
  ) as ItemDoc['questions'],
})

/** What of a sheet is kept: its questions, without pictures and answers. */
export const docOf = ({ heading, nameLine, instruments, parts }: Bench): SheetDoc => ({
  heading,
  nameLine,
  instruments,
  parts: parts.map((p) => ({ request: p.request, items: p.items.map(itemDoc) })),
})

/** The pinned questions of a part, with their places. */
export const pinnedOf = (part: SheetPart) =>
  part.items.flatMap((item, at) => (item.pinned ? [{ at, item: itemDoc(item) }] : []))

/** The part at a place put otherwise. */
export const withPart = (bench: Bench, at: number, part: SheetPart): Bench => ({
  ...bench,
  parts: bench.parts.map((p, i) => (i === at ? part : p)),
})

const swapped = <T>(all: readonly T[], a: number, b: number): T[] =>
  all.map((x, i) => (i === a ? (all[b] ?? x) : i === b ? (all[a] ?? x) : x))

/** A part one place up or down; at the end it stays. */
export const movePart = (bench: Bench, at: number, by: 1 | -1): Bench =>
  bench.parts[at + by] ? { ...bench, parts: swapped(bench.parts, at, at + by) } : bench

/** A question one place forward or back within its part. */
export const moveItem = (part: SheetPart, at: number, by: 1 | -1): SheetPart =>
  part.items[at + by] ? { ...part, items: swapped(part.items, at, at + by) } : part

export const takeOut = (part: SheetPart, at: number): SheetPart => ({
  ...part,
  items: part.items.filter((_, i) => i !== at),
})

export const pin = (part: SheetPart, at: number): SheetPart => ({
  ...part,
  items: part.items.map((item, i) => (i === at ? { ...item, pinned: !item.pinned } : item)),
})

/** The number of each part’s first question: they are counted through the sheet. */
export const numbersOf = (parts: readonly SheetPart[]) =>
  parts.map((_, i) => 1 + parts.slice(0, i).reduce((sum, p) => sum + p.items.length, 0))
