import { useState } from 'react'
import { BowMark } from '../engraving/BowMarks'
import type { RowId } from '../engraving/layout'
import { Drawn } from './Drawn'
import type { SurfaceProps } from './answering'

type Way = 'down' | 'up' | null
const NEXT: Record<string, Way> = { none: 'down', down: 'up', up: null }
const ROW: readonly RowId[] = ['bow']
const BUTTON_PX = 34
const BETWEEN_PX = 2

/** Notes with slurs and lifts: each stroke gets its sign. */
export function BowIt({ question, onReply, solved }: SurfaceProps) {
  const { music } = question.sheet
  const notes = music?.notes.flatMap((n) => [n.id, ...n.tiedIds]) ?? []
  const [signs, setSigns] = useState<readonly Way[]>(notes.map(() => null))
  const press = (at: number) => {
    const next = signs.map((s, i) => (i === at ? (NEXT[s ?? 'none'] ?? null) : s))
    setSigns(next)
    onReply(next.every((s) => s === null) ? null : { bows: next })
  }
  return (
    music && (
      <Drawn music={music} label={question.picture} rows={ROW} shown={solved ? ROW : []} solved={solved} inBars>
        {({ layout }) =>
          !solved &&
          notes.map((id, i) => {
            const spot = layout.notes.get(id)
            const system = spot && layout.systems[spot.system]
            if (!spot || !system) return null
            const way = signs[i] ?? null
            // Where notes stand near each other, the places for their signs are narrower.
            const near = notes.flatMap((other) => {
              const o = layout.notes.get(other)
              return o && other !== id && o.system === spot.system ? [Math.abs(o.x - spot.x)] : []
            })
            const width = Math.min(BUTTON_PX, ...near.map((px) => px - BETWEEN_PX))
            return (
              <button
                key={id}
                type="button"
                aria-label={`Note ${i + 1}: ${way ?? 'no sign'}`}
                onClick={() => press(i)}
                className="absolute grid place-items-center rounded-md border border-dashed border-line-dark bg-sheet/70 hover:bg-maple-pale"
                style={{
                  left: spot.x - width / 2,
                  top: system.rowY - BUTTON_PX / 2,
                  width,
                  height: BUTTON_PX,
                }}
              >
                {way && (
                  <svg viewBox="-10 -10 20 20" className="size-6" aria-hidden="true">
                    <BowMark up={way === 'up'} x={0} y={0} />
                  </svg>
                )}
              </button>
            )
          })
        }
      </Drawn>
    )
  )
}
