import { CLEF_HEIGHT, GLYPH, type Glyphs } from './glyphs'
import { heightOf, isRest, nameOf, signOf, type DeskTask } from './piece'
import { ledgersOf, yOf, type StaffNote, type StaffRow } from './staff'

/** A sign of the music type, its reference point at x and a height. */
function Sign({ glyphs, code, x, y, space }: { glyphs: Glyphs; code: string; x: number; y: number; space: number }) {
  const d = glyphs.get(code)
  return d ? <path d={d} transform={`translate(${x},${y}) scale(${space / 250},${-space / 250})`} /> : null
}

const LINES = [0, 2, 4, 6, 8]

/** Five lines and the barlines; the last is the end. */
export function RowLines({ row }: { row: StaffRow }) {
  const { space } = row
  const [top, bottom] = [yOf(row, 8), yOf(row, 0)]
  const thin = Math.max(1, space / 9)
  return (
    <g className="stroke-ink" strokeWidth={thin}>
      {LINES.map((h) => (
        <line key={h} x1={0} x2={row.width} y1={yOf(row, h)} y2={yOf(row, h)} className="stroke-ink/60" />
      ))}
      {row.bars.map((b) => (
        <line key={b.bar} x1={b.right - 1} x2={b.right - 1} y1={top} y2={bottom} strokeWidth={thin * 1.4} />
      ))}
    </g>
  )
}

/** Clef, signature, and in the first line the meter. */
export function RowHead({ row, task, glyphs }: { row: StaffRow; task: DeskTask; glyphs: Glyphs }) {
  const { space } = row
  const meterX = (4.6 + task.signature.length * 1.1) * space
  return (
    <g className="fill-ink" aria-hidden="true">
      <Sign
        glyphs={glyphs}
        code={GLYPH.clef[task.clef] ?? 'E050'}
        x={0.4 * space}
        y={yOf(row, CLEF_HEIGHT[task.clef] ?? 2)}
        space={space}
      />
      {task.signature.map((s, i) => (
        <Sign
          key={i}
          glyphs={glyphs}
          code={GLYPH.sign[String(s.alter)] ?? ''}
          x={(3.5 + i * 1.1) * space}
          y={yOf(row, s.height)}
          space={space}
        />
      ))}
      {row.first &&
        (
          [
            [task.beats, 6],
            [task.unit, 2],
          ] as const
        ).map(([number, height]) =>
          String(number)
            .split('')
            .map((digit, i, all) => (
              <Sign
                key={`${height}.${i}`}
                glyphs={glyphs}
                code={GLYPH.digit(digit)}
                x={meterX + (i - all.length / 2) * 1.7 * space}
                y={yOf(row, height)}
                space={space}
              />
            )),
        )}
    </g>
  )
}

const MIDDLE = 4
/** An octave, and to the middle line at least (common practice); in half-spaces. */
const STEM = 7

/** A note or rest as it was written, with its name and pair under it. */
export function DrawnNote({
  task,
  placed,
  row,
  glyphs,
  isChosen,
  sounds,
  pairs,
  letters,
}: {
  task: DeskTask
  placed: StaffNote
  row: StaffRow
  glyphs: Glyphs
  isChosen: boolean
  sounds: boolean
  pairs: boolean
  letters: boolean
}) {
  const { note, x } = placed
  const { space } = row
  const height = heightOf(task, note)
  const value = task.values.find((v) => v.value === note.value)
  const log = value?.log ?? 2
  const dots = value?.dots ?? 0
  const ink = sounds || isChosen ? 'fill-maple-dark stroke-maple-dark' : 'fill-ink stroke-ink'
  const said = nameOf(task, note)
  const under = [letters ? said?.name : null, pairs ? said?.pair : null].filter(Boolean)
  const half = log === 0 ? 0.84 : 0.66
  const restHeight = log === 0 ? 6 : MIDDLE
  return (
    <g
      className={ink}
      strokeWidth={0}
      data-note={`${placed.bar + 1}.${placed.at + 1}`}
      data-height={height ?? 'rest'}
      data-given={placed.given || undefined}
    >
      {isChosen && (
        <rect
          x={x - 1.2 * space}
          y={yOf(row, 12)}
          width={2.4 * space}
          height={9.4 * space}
          rx={space / 3}
          className="fill-maple-pale/70 stroke-none"
        />
      )}
      {height === null ? (
        <Sign
          glyphs={glyphs}
          code={GLYPH.rest[log] ?? 'E4E5'}
          x={x - 0.55 * space}
          y={yOf(row, restHeight)}
          space={space}
        />
      ) : (
        <>
          <Ledgers x={x} height={height} row={row} />
          <Accidental task={task} placed={placed} row={row} glyphs={glyphs} />
          <Sign
            glyphs={glyphs}
            code={GLYPH.head[Math.min(2, log)] ?? 'E0A4'}
            x={x - half * space}
            y={yOf(row, height)}
            space={space}
          />
          {!glyphs.size && <ellipse cx={x} cy={yOf(row, height)} rx={0.66 * space} ry={0.48 * space} />}
          <StemLine placed={placed} height={height} log={log} row={row} glyphs={glyphs} byHand={task.byHand} />
        </>
      )}
      {Array.from({ length: dots }, (_, i) => (
        <circle
          key={i}
          cx={x + (1.2 + 0.5 * i) * space}
          cy={yOf(row, Math.round(height ?? MIDDLE) % 2 === 0 ? Math.round(height ?? MIDDLE) + 1 : (height ?? 0))}
          r={0.22 * space}
        />
      ))}
      {placed.given && (
        <text x={x - 0.6 * space} y={yOf(row, 10.6)} fontSize={0.95 * space} className="fill-soft" aria-hidden="true">
          given
        </text>
      )}
      {!isRest(note) &&
        under.map((word, i) => (
          <text
            key={i}
            x={x}
            y={yOf(row, row.pairs - 3 * i)}
            textAnchor="middle"
            fontSize={1.3 * space}
            className={i === under.length - 1 && pairs ? 'fill-ink font-bold' : 'fill-soft'}
          >
            {word}
          </text>
        ))}
    </g>
  )
}

function Ledgers({ x, height, row }: { x: number; height: number; row: StaffRow }) {
  const { space } = row
  return ledgersOf(Math.round(height)).map((h) => (
    <rect key={h} x={x - 1.1 * space} width={2.2 * space} y={yOf(row, h) - space / 16} height={space / 8} />
  ))
}

function Accidental({
  task,
  placed: { note, x },
  row,
  glyphs,
}: {
  task: DeskTask
  placed: StaffNote
  row: StaffRow
  glyphs: Glyphs
}) {
  const { space } = row
  const sign = signOf(task, note)
  const height = note.hand?.signHeight ?? heightOf(task, note)
  if (sign === null || height === null) return null
  return (
    <Sign glyphs={glyphs} code={GLYPH.sign[String(sign)] ?? ''} x={x - 2 * space} y={yOf(row, height)} space={space} />
  )
}

/** The stem as it was drawn; where the desk draws it, by the rule. */
function StemLine({
  placed: { note, x, given },
  height,
  log,
  row,
  glyphs,
  byHand,
}: {
  placed: StaffNote
  height: number
  log: number
  row: StaffRow
  glyphs: Glyphs
  byHand: boolean
}) {
  const { space } = row
  const own = note.stem ?? null
  if (byHand && !given && !own) return null
  if (!own && log === 0) return null
  const up = own ? own.up : height < MIDDLE
  const right = own ? own.right : up
  const end = up ? Math.max(height + STEM, MIDDLE) : Math.min(height - STEM, MIDDLE)
  const sx = x + (right ? 0.6 : -0.6) * space
  const flag = GLYPH.flag[up ? 'up' : 'down'][log - 3]
  return (
    <>
      <line
        x1={sx}
        x2={sx}
        y1={yOf(row, height + (up ? 0.3 : -0.3))}
        y2={yOf(row, end)}
        strokeWidth={Math.max(1.2, space / 8)}
        data-stem={`${up ? 'up' : 'down'} ${right ? 'right' : 'left'}`}
      />
      {flag && <Sign glyphs={glyphs} code={flag} x={sx - space / 16} y={yOf(row, end)} space={space} />}
    </>
  )
}
