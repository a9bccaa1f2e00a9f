import { useState } from 'react'
import { Button } from '../ui/Button'
import { useKeys } from '../ui/useKeys'
import { Drawn } from './Drawn'
import { Press, PressRow } from './Press'
import { StaffPress, staffOf } from './StaffPress'
import type { SurfaceProps } from './answering'

const SIGNS = { sharp: '♯', flat: '♭' } as const
type Sign = keyof typeof SIGNS
const MIDDLE_LINE = 4
const MOST_SIGNS = 7
/** From one sign to the next, in half spaces of the staff. */
const APART = 2.4
/** A clef is so wide, in half spaces of the staff. */
const CLEF = 7.5

/** A key by its name: its signs are set on the staff in their order. */
export function SignatureWrite({ question, desk, onReply, solved }: SurfaceProps) {
  const [sign, setSign] = useState<Sign>('sharp')
  const [heights, setHeights] = useState<readonly number[]>([])
  const [meant, setMeant] = useState(MIDDLE_LINE)
  const tell = (nextSign: Sign, next: readonly number[]) => {
    if (solved) return
    setSign(nextSign)
    setHeights(next)
    onReply(next.length === 0 ? null : { sign: nextSign, heights: next })
  }
  const put = (height: number) => {
    setMeant(height)
    if (heights.length < MOST_SIGNS) tell(sign, [...heights, height])
  }
  const back = () => tell(sign, heights.slice(0, -1))
  useKeys({ '+': () => tell('sharp', heights), '-': () => tell('flat', heights), Backspace: back })
  const music = question.sheet.music
  return (
    music && (
      <>
        <div className="mb-3 flex flex-wrap items-center gap-3">
          <PressRow label="Sign">
            {(Object.keys(SIGNS) as Sign[]).map((s) => (
              <Press
                key={s}
                label={`${SIGNS[s]} ${s}`}
                keyName={s === 'sharp' ? '+' : '−'}
                pressed={sign === s}
                disabled={solved}
                onPress={() => tell(s, heights)}
              >
                {SIGNS[s]}
              </Press>
            ))}
          </PressRow>
          <Button size="small" disabled={solved || heights.length === 0} onClick={back}>
            Take the last sign out
          </Button>
        </div>
        <Drawn music={music} label={question.picture} solved={solved}>
          {(picture) => {
            const staff = staffOf(picture)
            const x = (i: number) => staff.left + staff.step * (CLEF + i * APART)
            const text = (i: number, height: number, className: string) => (
              <text
                key={i}
                x={x(i)}
                y={staff.y(height)}
                textAnchor="middle"
                dominantBaseline="central"
                fontSize={staff.step * 5}
                className={className}
                data-sign={height}
              >
                {SIGNS[sign]}
              </text>
            )
            return (
              <StaffPress
                picture={picture}
                desk={desk}
                label={`Line or space of the next ${sign}`}
                value={meant}
                onMean={setMeant}
                onPress={put}
              >
                {(hover) =>
                  // What was written makes room for what is right.
                  !solved && (
                    <>
                      {heights.map((height, i) => text(i, height, 'fill-ink'))}
                      {text(heights.length, hover ?? meant, 'fill-line-dark')}
                    </>
                  )
                }
              </StaffPress>
            )
          }}
        </Drawn>
        <p className="mt-2 min-h-6 text-soft" aria-live="polite">
          {heights.map((h) => desk.places.find((p) => p.height === h)?.words).join(', ')}
        </p>
      </>
    )
  )
}
