import { useState } from 'react'
import { useKeys } from '../ui/useKeys'
import { Drawn } from './Drawn'
import { Press, PressRow } from './Press'
import type { SurfaceProps } from './answering'

const LINES = [1, 2, 3, 4, 5]
const SPACES = [1, 2, 3, 4]

/** A note on the staff: a line or a space, and which one. */
export function LineOrSpace({ question, onReply, solved }: SurfaceProps) {
  const [height, setHeight] = useState<number | null>(null)
  const [on, setOn] = useState<'line' | 'space'>('line')
  const choose = (kind: 'line' | 'space', number: number) => {
    if (solved) return
    const at = 2 * (number - 1) + (kind === 'space' ? 1 : 0)
    setOn(kind)
    setHeight(at)
    onReply({ height: at })
  }
  useKeys({
    l: () => setOn('line'),
    s: () => setOn('space'),
    ...Object.fromEntries((on === 'line' ? LINES : SPACES).map((n) => [String(n), () => choose(on, n)])),
  })
  const row = (kind: 'line' | 'space', numbers: readonly number[]) => (
    <div className="flex items-center gap-3">
      <span className="w-20 font-bold max-md:w-14">
        {kind === 'line' ? 'Line' : 'Space'}{' '}
        <kbd className="max-md:hidden" aria-hidden="true">
          {kind === 'line' ? 'L' : 'S'}
        </kbd>
      </span>
      <PressRow label={kind === 'line' ? 'Lines' : 'Spaces'}>
        {numbers.map((n) => (
          <Press
            key={n}
            label={`${kind} ${n}`}
            pressed={height === 2 * (n - 1) + (kind === 'space' ? 1 : 0)}
            disabled={solved}
            onPress={() => choose(kind, n)}
          >
            {n}
          </Press>
        ))}
      </PressRow>
    </div>
  )
  return (
    <>
      {question.sheet.music && <Drawn music={question.sheet.music} label={question.picture} solved={solved} />}
      <div className="mt-4 flex flex-col gap-3">
        {row('line', LINES)}
        {row('space', SPACES)}
        <p className="text-sm text-soft">Counted from the bottom.</p>
      </div>
    </>
  )
}
