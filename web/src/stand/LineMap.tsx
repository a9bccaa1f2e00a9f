import type { Reading } from '../api/client'
import type { Layout } from '../engraving/layout'

/** One strip a line of music; click to go there. */
export function LineMap({
  reading,
  layout,
  line,
  onGo,
}: {
  reading: Reading
  layout: Layout
  line: number
  onGo: (noteId: string) => void
}) {
  const numbers = new Map(reading.bars.map((b) => [b.id, b.number]))
  return (
    <nav aria-label="Lines of the tune" className="flex flex-col gap-1.5 overflow-y-auto py-4 pl-4 pr-1">
      {layout.systems.map((system, i) => {
        const bars = system.bars.map((id) => numbers.get(id)).filter((n) => n !== undefined)
        const first = bars.find((n) => n > 0) ?? 1
        const last = bars.at(-1) ?? first
        return (
          <button
            key={system.bars[0]}
            type="button"
            aria-current={i === line ? 'true' : undefined}
            data-line={i + 1}
            onClick={() => system.firstNote && onGo(system.firstNote)}
            className={`border-l-4 py-1.5 pl-2 text-left leading-tight ${i === line ? 'border-maple bg-maple-pale' : 'border-line-dark hover:bg-maple-pale'}`}
          >
            <span className="block font-head text-base font-semibold">
              <span className="sr-only">Line </span>
              {i + 1}
            </span>
            <span className="block text-xs text-soft">
              <span className="sr-only">bars </span>
              {first === last ? first : `${first}–${last}`}
            </span>
          </button>
        )
      })}
    </nav>
  )
}
