import { useCallback, useLayoutEffect, useMemo, useRef, useState } from 'react'
import type { QuestionMusic } from '../api/client'
import { EngravedPage } from '../engraving/EngravedPage'
import { rowScale, type Form, type Layout, type RowId } from '../engraving/layout'

const NONE: readonly string[] = []

/** A ledger line lies so near the middle of its head. */
const NEAR_PX = 8

const middle = (element: Element) => {
  const { left, width } = element.getBoundingClientRect()
  return left + width / 2
}

/** The music of a question: as it is asked, or whole with its answer. */
export function QuestionNotes({
  music,
  picture,
  rows,
  shown,
  staffMm,
  solved,
  gap = false,
  same = NONE,
  onPick,
  onLayout,
}: {
  music: QuestionMusic
  picture: string
  /** Rows for which there is room. */
  rows: readonly RowId[]
  /** Rows that are filled in. */
  shown: readonly RowId[]
  staffMm: number
  solved: boolean
  /** What is left away is marked as a gap. */
  gap?: boolean
  /** Notes to ring, where the answer does not. */
  same?: readonly string[]
  onPick?: ((id: string) => void) | undefined
  onLayout?: ((layout: Layout) => void) | undefined
}) {
  const form = useMemo<Form>(() => ({ pieceMm: staffMm }), [staffMm])
  const [layout, setLayout] = useState<Layout | null>(null)
  const measured = useCallback(
    (now: Layout) => {
      setLayout(now)
      onLayout?.(now)
    },
    [onLayout],
  )
  const svg = useMemo(() => {
    const away = [...music.unseen, ...(solved ? [] : music.hidden)]
    return away.reduce((text, id) => text.replace(`id="${id}"`, `id="${id}" visibility="hidden"`), picture)
  }, [music, picture, solved])
  const asks = solved ? '' : `${music.hidesStems ? 'asks-stems' : ''} ${music.hidesSignature ? 'asks-signature' : ''}`
  const host = useRef<HTMLDivElement>(null)
  // Ledger lines are drawn apart from their notes: those of notes that are left away would tell where they are.
  const leavesAway = music.hidden.length > 0 && !solved
  useLayoutEffect(() => {
    if (!leavesAway) return
    const heads = [...(host.current?.querySelectorAll('g.note:not([visibility=hidden]) .notehead') ?? [])].map(middle)
    for (const dash of host.current?.querySelectorAll<SVGElement>('.ledgerLines path') ?? [])
      dash.style.visibility = heads.some((x) => Math.abs(x - middle(dash)) < NEAR_PX) ? '' : 'hidden'
  }, [svg, leavesAway])
  const barlines = solved && music.barlinesAfter.length > 0
  const spot = gap && !solved ? layout?.notes.get(music.hidden[0] ?? '') : undefined
  const system = spot && layout?.systems[spot.system]
  return (
    <div ref={host} className={`relative w-fit ${asks}`} style={{ paddingBottom: rowsHeight(rows, form) }}>
      <EngravedPage
        svg={svg}
        reading={music}
        rows={shown}
        same={solved && music.ringed.length > 0 ? music.ringed : same}
        form={form}
        onPick={onPick}
        // Measuring lays the page out: only where something is put over the picture.
        {...((gap || onLayout || barlines) && { onLayout: measured })}
      />
      {barlines && layout && <Barlines layout={layout} after={music.barlinesAfter} />}
      {spot && system && (
        <span
          className="absolute flex items-center justify-center border-2 border-dashed border-soft bg-white font-bold"
          style={{ left: spot.x - 13, top: system.top + 2, width: 26, height: system.bottom - system.top - 4 }}
          aria-hidden="true"
        >
          ?
        </span>
      )}
    </div>
  )
}

/** Barlines in the middle between two notes. */
function Barlines({ layout, after }: { layout: Layout; after: readonly string[] }) {
  const notes = [...layout.notes]
  return (
    <svg className="pointer-events-none absolute inset-0 h-full w-full overflow-visible" aria-hidden="true">
      {after.map((id) => {
        const at = notes.findIndex(([own]) => own === id)
        const [low, high] = [notes[at]?.[1], notes[at + 1]?.[1]]
        const system = low && layout.systems[low.system]
        if (!low || !high || !system) return null
        const x = low.system === high.system ? (low.x + high.x) / 2 : system.right
        return (
          <line
            key={id}
            x1={x}
            x2={x}
            y1={system.top}
            y2={system.bottom}
            strokeWidth={2}
            className="stroke-ink"
            data-barline={id}
          />
        )
      })}
    </svg>
  )
}

/** The engraver leaves room for rows under its last line of music only where something else stands there. */
const rowsHeight = (rows: readonly RowId[], form: Form) => (rows.length > 0 ? 6 * rowScale(form) : 0)
