import { useRef, useState } from 'react'
import { Link } from 'react-router'
import { useInstruments } from '../api/instruments'
import { useShapes } from './queries'
import { useWidth } from '../stand/useWidth'
import { Choice } from '../ui/Choice'
import { useKeys } from '../ui/useKeys'
import { FORMS, keyOptions } from './keys'
import { KeyLine } from './KeyLine'
import { NameShape } from './NameShape'
import { ShapeBoard } from './ShapeBoard'
import { useKeyChoice } from './useKeyChoice'

const SELECT = 'rounded-md border border-line-dark bg-sheet px-2 py-1 text-base text-ink'

/** Any key on any instrument: four strings, four shapes. */
export function ShapesScreen() {
  const { choice, set, address } = useKeyChoice()
  const instruments = useInstruments().data ?? []
  const { data, error } = useShapes(choice.instrument, choice.fifths, choice.form, choice.position, choice.compare)
  const lines = useRef<HTMLDivElement>(null)
  const width = useWidth(lines)
  const [naming, setNaming] = useState<string | null>(null)
  useKeys({
    ArrowLeft: () => set({ fifths: Math.max(-7, choice.fifths - 1) }),
    ArrowRight: () => set({ fifths: Math.min(7, choice.fifths + 1) }),
    ...Object.fromEntries(instruments.map((i, n) => [String(n + 1), () => set({ instrument: i.id })])),
  })

  return (
    <main className="flex min-h-0 flex-1 flex-col">
      <div className="flex flex-wrap items-center gap-x-5 gap-y-2 border-b border-line px-6 py-2">
        <Choice
          label="Instrument"
          hideLabel
          value={choice.instrument}
          options={instruments.map((i) => ({ value: i.id, label: i.name }))}
          onChange={(instrument) => set({ instrument })}
        />
        <label className="flex items-center gap-2 text-sm text-soft">
          Key
          <select className={SELECT} value={choice.fifths} onChange={(e) => set({ fifths: Number(e.target.value) })}>
            {keyOptions(choice.form).map((k) => (
              <option key={k.value} value={k.value}>
                {k.label}
              </option>
            ))}
          </select>
        </label>
        <Choice label="Scale" hideLabel value={choice.form} options={FORMS} onChange={(form) => set({ form })} />
        {data && data.positions.length > 1 && (
          <Choice
            label="Position"
            value={data.position}
            options={data.positions.map((p) => ({ value: p, label: p }))}
            onChange={(position) => set({ position })}
          />
        )}
      </div>
      {error && (
        <p role="alert" className="m-6 bg-brick-pale px-3 py-2">
          {error.message}
        </p>
      )}
      {data && (
        <div className="grid min-h-0 flex-1 grid-cols-1 lg:grid-cols-[29rem_minmax(0,1fr)]">
          <div className="overflow-y-auto px-6 py-4">
            <h1 className="text-[1.7rem] leading-tight">{data.keyName}</h1>
            <p className="text-sm text-soft">
              {data.keyWords}. Sharps come in the order F C G D A E B, flats the other way round.
            </p>
            <div className="mb-2 mt-1 flex flex-wrap items-center gap-x-3 text-sm">
              <strong className="text-maple-dark">{data.changes}</strong>
              <label className="flex items-center gap-2 text-soft">
                Compare with
                <select
                  className="rounded-md border border-line-dark bg-sheet px-1 py-0.5"
                  value={data.comparedFifths}
                  onChange={(e) => set({ compare: Number(e.target.value) })}
                >
                  {keyOptions('major').map((k) => (
                    <option key={k.value} value={k.value}>
                      {k.label.split(',')[0]}
                    </option>
                  ))}
                </select>
              </label>
            </div>
            <ShapeBoard instrument={data.instrument} shapes={data.shapes} />
            <p className="mt-1 text-sm text-soft">
              Filled bars join half steps; underlined letters changed.
              {data.shapes.some((s) => s.besides.length > 0) && ' In outline: a finger leaves its spot for it.'}{' '}
              {[...new Set(data.shapes.map((s) => s.descriptive))].filter(Boolean).map((name) => (
                <button
                  key={name}
                  type="button"
                  className="mr-2 text-spruce underline underline-offset-2"
                  onClick={() => setNaming(name)}
                >
                  Name “{name}”
                </button>
              ))}
            </p>
          </div>
          <div className="overflow-y-auto border-l border-line bg-sheet px-6 py-4">
            <p className="mb-2 text-right text-sm">
              <Link className="font-bold text-spruce underline underline-offset-4" to={`/shapes/all${address}`}>
                All four instruments on a page
              </Link>
            </p>
            <div ref={lines} className="flex flex-col gap-3">
              {width > 0 && data.lines.map((line) => <KeyLine key={line.title} line={line} widthPx={width} />)}
            </div>
          </div>
        </div>
      )}
      {naming && <NameShape descriptive={naming} onClose={() => setNaming(null)} />}
    </main>
  )
}
