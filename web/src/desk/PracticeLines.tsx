import { CLEF_HEIGHT, GLYPH, useGlyphs } from './glyphs'
import type { DeskTask } from './piece'
import { ledgersOf } from './staff'

const SPACE = 9
/** Half-spaces over the bottom line at the top of the picture, and under it. */
const TOP = 14
const BOTTOM = -6
/** Each sign is written so often: twice traced, then twice alone. */
const TIMES = 4
const TRACED = 2

type Drawn = { code: string; height: number; stem?: 'up' | 'down'; dx?: number }

/**
 * What to practise before a piece: clef and meter four times, heads and their stems, rests, the palette (craft 12 and
 * 13).
 */
export function PracticeLines({ task, widthPx }: { task: DeskTask; widthPx: number }) {
  const clef: Drawn[] = [{ code: GLYPH.clef[task.clef] ?? 'E050', height: CLEF_HEIGHT[task.clef] ?? 2 }]
  const digits = (number: number, height: number): Drawn[] =>
    String(number)
      .split('')
      .map((digit, i) => ({ code: GLYPH.digit(digit), height, dx: i * 1.6 }))
  const meter = [...digits(task.beats, 6), ...digits(task.unit, 2)]
  const head = (height: number, stem?: 'up' | 'down'): Drawn => ({ code: 'E0A4', height, ...(stem && { stem }) })
  const heights = task.palette.map((p) => p.height)
  const low = heights.find((h) => h < 4)
  const high = heights.find((h) => h >= 4)
  const stems = [
    ...(low === undefined ? [] : [[head(low, 'up')]]),
    ...(high === undefined ? [] : [[head(high, 'down')]]),
  ]
  const rest: Drawn[] = [{ code: GLYPH.rest[2], height: 4 }]
  const repeated = (signs: Drawn[]) => Array.from({ length: TIMES }, (_, i) => ({ signs, traced: i < TRACED }))
  return (
    <div>
      <h2 className="text-lg">First, with your pen</h2>
      <p className="text-sm">Trace the pale signs, then write them by yourself.</p>
      <Line widthPx={widthPx} places={[...repeated(clef), ...repeated(meter)]} name="clef and meter" />
      <Line
        widthPx={widthPx}
        places={[...(stems.length ? stems.flatMap((s) => repeated(s)) : []), ...repeated(rest)]}
        name="notes with their stems, and rests"
      />
      <Line
        widthPx={widthPx}
        places={[
          ...heights.map((h) => ({ signs: [head(h)], traced: true })),
          ...heights.map(() => ({ signs: [], traced: false })),
        ]}
        name="the notes of the palette"
      />
    </div>
  )
}

function Line({
  widthPx,
  places,
  name,
}: {
  widthPx: number
  places: readonly { signs: readonly Drawn[]; traced: boolean }[]
  name: string
}) {
  const glyphs = useGlyphs()
  const y = (height: number) => ((TOP - height) * SPACE) / 2
  const step = (widthPx - 2 * SPACE) / places.length
  return (
    <svg
      viewBox={`0 0 ${widthPx} ${y(BOTTOM)}`}
      width={widthPx}
      height={y(BOTTOM)}
      className="block max-w-full"
      role="img"
      aria-label={`To practise: ${name}`}
    >
      {[0, 2, 4, 6, 8].map((h) => (
        <line key={h} x1={0} x2={widthPx} y1={y(h)} y2={y(h)} className="stroke-ink/60" />
      ))}
      {places.map(({ signs, traced }, i) => {
        const x = SPACE + (i + 0.3) * step
        return (
          traced && (
            <g key={i} className="fill-ink/35 stroke-ink/35" strokeWidth={0}>
              {signs.map((s, k) => (
                <g key={k}>
                  <Ledgers x={x} height={s.height} y={y} />
                  <path
                    d={glyphs.get(s.code) ?? ''}
                    transform={`translate(${x + (s.dx ?? 0) * SPACE - 0.66 * SPACE},${y(s.height)}) scale(${SPACE / 250},${-SPACE / 250})`}
                  />
                  {s.stem && (
                    <line
                      x1={x + (s.stem === 'up' ? 0.6 : -0.6) * SPACE}
                      x2={x + (s.stem === 'up' ? 0.6 : -0.6) * SPACE}
                      y1={y(s.height)}
                      y2={y(s.height + (s.stem === 'up' ? 7 : -7))}
                      strokeWidth={1.3}
                    />
                  )}
                </g>
              ))}
            </g>
          )
        )
      })}
    </svg>
  )
}

function Ledgers({ x, height, y }: { x: number; height: number; y: (height: number) => number }) {
  return ledgersOf(height).map((h) => (
    <rect key={h} x={x - SPACE * 1.1} width={SPACE * 2.2} y={y(h) - 0.6} height={1.2} />
  ))
}
