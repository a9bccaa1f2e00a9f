import { CLEF_HEIGHT, GLYPH, useGlyphs } from './glyphs'
import type { DeskTask, PaletteNote } from './piece'
import { ledgersOf } from './staff'

/** In pixels: a staff space, a note’s width, and how much is over the staff. */
const SPACE = 8
const HEAD_PX = 46

/** The palette on a staff: a press writes its note. The pieces of staff join into one. */
export function PaletteStaff({
  task,
  onNote,
  keys,
}: {
  task: DeskTask
  /** Null where it can only be looked at. */
  onNote: ((pitch: string) => void) | null
  /** The keys 1, 2, 3 … are shown. */
  keys: boolean
}) {
  const glyphs = useGlyphs()
  const heights = task.palette.map((p) => p.height)
  const [low, high] = [Math.min(-2, ...heights) - 2, Math.max(10, ...heights) + 2]
  const y = (height: number) => ((high - height) * SPACE) / 2
  const size = y(low)
  const clef = glyphs.get(GLYPH.clef[task.clef] ?? '')
  const scale = (x: number, h: number) => `translate(${x},${y(h)}) scale(${SPACE / 250},${-SPACE / 250})`
  const headWidth = 30 + task.signature.length * 9
  const start = (
    <>
      <Lines width={headWidth} y={y} />
      {clef && <path d={clef} transform={scale(3, CLEF_HEIGHT[task.clef] ?? 2)} className="fill-ink" />}
      {task.signature.map((s, i) => (
        <path
          key={i}
          d={glyphs.get(GLYPH.sign[String(s.alter)] ?? '') ?? ''}
          transform={scale(28 + i * 9, s.height)}
          className="fill-ink"
        />
      ))}
    </>
  )
  return (
    <div
      role="group"
      aria-label="Palette"
      className="flex max-w-full overflow-x-auto max-md:flex-col max-md:gap-1 print:flex-row"
      data-testid="palette"
    >
      {staves(task.palette).map((notes, stave) => (
        <div key={stave} className="flex shrink-0">
          <svg
            width={headWidth}
            height={size}
            className={`shrink-0 ${stave > 0 ? 'md:hidden print:hidden' : ''}`}
            aria-hidden="true"
          >
            {start}
          </svg>
          {notes.map((note, n) => (
            <button
              key={note.pitch}
              type="button"
              disabled={!onNote}
              onClick={() => onNote?.(note.pitch)}
              aria-label={`${note.name}, ${note.pair}`}
              aria-keyshortcuts={keys && stave * ON_A_PHONE + n < 9 ? String(stave * ON_A_PHONE + n + 1) : undefined}
              className="flex shrink-0 flex-col items-center hover:bg-maple-pale disabled:hover:bg-transparent"
              style={{ width: HEAD_PX }}
              data-palette={note.pitch}
            >
              <svg width={HEAD_PX} height={size} aria-hidden="true">
                <Lines width={HEAD_PX} y={y} />
                <Head
                  note={note}
                  y={y}
                  sign={note.sign === null ? '' : (glyphs.get(GLYPH.sign[String(note.sign)] ?? '') ?? '')}
                />
              </svg>
              <strong className="leading-tight">{note.pair}</strong>
              {task.letters && <span className="text-sm leading-tight text-soft">{note.name}</span>}
            </button>
          ))}
        </div>
      ))}
    </div>
  )
}

/** As many notes as a phone shows at once beside the clef and four sharps. */
const ON_A_PHONE = 6

/** The notes as a phone shows them: staff under staff; wider screens and paper join them into one. */
const staves = (palette: readonly PaletteNote[]) =>
  Array.from({ length: Math.ceil(palette.length / ON_A_PHONE) }, (_, i) =>
    palette.slice(i * ON_A_PHONE, (i + 1) * ON_A_PHONE),
  )

function Lines({ width, y }: { width: number; y: (height: number) => number }) {
  return [0, 2, 4, 6, 8].map((h) => (
    <line key={h} x1={0} x2={width} y1={y(h)} y2={y(h)} className="stroke-ink/60" strokeWidth={1} />
  ))
}

function Head({ note, y, sign }: { note: PaletteNote; y: (height: number) => number; sign: string }) {
  const x = HEAD_PX / 2
  return (
    <g className="fill-ink">
      {ledgersOf(note.height).map((h) => (
        <line key={h} x1={x - 10} x2={x + 10} y1={y(h)} y2={y(h)} className="stroke-ink" strokeWidth={1.2} />
      ))}
      {sign && (
        <path d={sign} transform={`translate(${x - 17},${y(note.height)}) scale(${SPACE / 250},${-SPACE / 250})`} />
      )}
      <ellipse
        cx={x}
        cy={y(note.height)}
        rx={SPACE * 0.66}
        ry={SPACE * 0.48}
        transform={`rotate(-18 ${x} ${y(note.height)})`}
      />
    </g>
  )
}
