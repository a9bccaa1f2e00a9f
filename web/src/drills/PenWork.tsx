import { useRef, useState, type PointerEvent } from 'react'
import { Button } from '../ui/Button'
import { Drawn, type Picture } from './Drawn'
import { inkOver, type Bitmap } from './ink'
import type { Reply } from './queries'
import type { SurfaceProps } from './answering'

type Point = { x: number; y: number }

const PEN_PX = 4
/** A hand is as sure as this, in pixels. */
const REACH_PX = 4
/** How the engraver calls what is traced. */
const TRACED: Record<string, string> = {
  clef: '.clef',
  'time-signature': '.meterSig',
  'quarter-rest': '.rest',
  sharp: '.accid',
  flat: '.accid',
}
const NOTE = '.note'

/** A sign is traced over its pale model; or it was written on paper. */
export function PenWork({ question, onReply, solved }: SurfaceProps) {
  const [strokes, setStrokes] = useState<readonly (readonly Point[])[]>([])
  const [paper, setPaper] = useState(false)
  const { music } = question.sheet
  const { sign } = question.sheet.question as { sign: string }
  const traced = TRACED[sign] ?? NOTE
  const host = useRef<HTMLDivElement>(null)
  const stroke = useRef(0)
  const tell = (next: readonly (readonly Point[])[], picture: Picture) => {
    setStrokes(next)
    setPaper(false)
    // Measuring takes a moment: of quick strokes only what all of them give counts.
    const own = ++stroke.current
    onReply(null)
    if (next.length > 0)
      void measured(host.current, next, picture, traced).then((reply) => stroke.current === own && onReply(reply))
  }
  return (
    music && (
      <div ref={host}>
        <div data-trace={solved ? undefined : traced.slice(1)}>
          <Drawn music={music} label={question.picture} solved={solved} size="large">
            {(picture) => (
              <Ink
                picture={picture}
                strokes={strokes}
                still={solved}
                onStroke={(stroke) => tell([...strokes, stroke], picture)}
              />
            )}
          </Drawn>
        </div>
        <div className="mt-4 flex flex-wrap gap-3">
          <Button
            size="small"
            disabled={solved || strokes.length === 0}
            onClick={() => {
              stroke.current++
              setStrokes([])
              onReply(null)
            }}
          >
            Wipe it off
          </Button>
          <Button
            size="small"
            disabled={solved}
            aria-pressed={paper}
            onClick={() => {
              stroke.current++
              setStrokes([])
              setPaper(true)
              onReply({ onPaper: true })
            }}
          >
            {paper ? 'Written on paper ✓' : 'I wrote it on paper'}
          </Button>
        </div>
      </div>
    )
  )
}

function Ink({
  picture,
  strokes,
  still,
  onStroke,
}: {
  picture: Picture
  strokes: readonly (readonly Point[])[]
  still: boolean
  onStroke: (stroke: readonly Point[]) => void
}) {
  const [now, setNow] = useState<readonly Point[]>([])
  const at = (event: PointerEvent<SVGSVGElement>): Point => {
    const box = event.currentTarget.getBoundingClientRect()
    const scale = picture.width / box.width
    return { x: (event.clientX - box.left) * scale, y: (event.clientY - box.top) * scale }
  }
  return (
    <svg
      viewBox={`0 0 ${picture.width} ${picture.height}`}
      className={`absolute top-0 left-0 touch-none overflow-visible ${still ? 'pointer-events-none' : 'cursor-crosshair'}`}
      style={{ width: picture.width, height: picture.height }}
      data-testid="ink"
      aria-hidden="true"
      onPointerDown={(e) => {
        e.currentTarget.setPointerCapture(e.pointerId)
        setNow([at(e)])
      }}
      onPointerMove={(e) => now.length > 0 && setNow([...now, at(e)])}
      onPointerUp={() => {
        if (now.length > 0) onStroke(now)
        setNow([])
      }}
    >
      <rect width={picture.width} height={picture.height} fill="transparent" />
      {[...strokes, now].map((stroke, i) => (
        <polyline
          key={i}
          points={line(stroke)}
          fill="none"
          strokeWidth={PEN_PX}
          strokeLinecap="round"
          strokeLinejoin="round"
          className={still ? 'stroke-maple' : 'stroke-ink'}
        />
      ))}
    </svg>
  )
}

/** A dot is a short line. */
const line = (stroke: readonly Point[]) =>
  (stroke.length === 1 ? [...stroke, ...stroke.map((p) => ({ x: p.x + 0.1, y: p.y }))] : stroke)
    .map((p) => `${p.x},${p.y}`)
    .join(' ')

/** Lays the ink over the sign as it is engraved. */
async function measured(
  host: HTMLElement | null,
  strokes: readonly (readonly Point[])[],
  picture: Picture,
  traced: string,
): Promise<Reply> {
  const drawn = host?.querySelector<SVGSVGElement>('.engraved svg')
  if (!drawn) return { covered: 0, astray: 0 }
  const model = drawn.cloneNode(true) as SVGSVGElement
  // Only the sign itself is left to be seen.
  const style = document.createElementNS('http://www.w3.org/2000/svg', 'style')
  style.textContent = `svg * { visibility: hidden } ${traced}, ${traced} * { visibility: visible; fill: black; color: black }`
  model.append(style)
  const ink = `<svg xmlns="http://www.w3.org/2000/svg" width="${picture.width}" height="${picture.height}">${strokes
    .map(
      (s) =>
        `<polyline points="${line(s)}" fill="none" stroke="black" stroke-width="${PEN_PX}" stroke-linecap="round"/>`,
    )
    .join('')}</svg>`
  const [sign, pen] = await Promise.all([
    bitmapOf(new XMLSerializer().serializeToString(model), picture),
    bitmapOf(ink, picture),
  ])
  return inkOver(sign, pen, REACH_PX)
}

async function bitmapOf(svg: string, { width, height }: Picture): Promise<Bitmap> {
  const image = new Image()
  image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(svg)}`
  await image.decode()
  const [w, h] = [Math.ceil(width), Math.ceil(height)]
  const canvas = document.createElement('canvas')
  canvas.width = w
  canvas.height = h
  const context = canvas.getContext('2d', { willReadFrequently: true })
  if (!context) return { width: w, height: h, set: new Uint8Array(w * h) }
  context.drawImage(image, 0, 0)
  const { data } = context.getImageData(0, 0, w, h)
  return {
    width: w,
    height: h,
    set: Uint8Array.from({ length: w * h }, (_, i) => ((data[4 * i + 3] ?? 0) > 100 ? 1 : 0)),
  }
}
