import { useRef, useState } from 'react'
import { useInstruments } from '../api/instruments'
import { useKeyOptions, useScaleForms } from '../api/keys'
import { useShapes } from './queries'
import { useWidth } from '../ui/useWidth'
import { useStyles } from '../style'
import { Button } from '../ui/Button'
import { Choice } from '../ui/Choice'
import { InstrumentChoice } from '../ui/InstrumentChoice'
import { PAGE_EDGE, PageHead } from '../ui/Page'
import { Screen } from '../ui/Screen'
import { Field, Select } from '../ui/Field'
import { Refused } from '../ui/Said'
import { Strip } from '../ui/Strip'
import { TextLink } from '../ui/TextLink'
import { HoldTone } from '../tuner'
import { useKeys } from '../ui/useKeys'
import { KeyLine } from './KeyLine'
import { NameShape } from './NameShape'
import { ShapeBoard } from './ShapeBoard'
import { useKeyChoice } from './useKeyChoice'

/** Any key on any instrument: four strings, four shapes. */
export function ShapesScreen() {
  const { choice, set, address } = useKeyChoice()
  const instruments = useInstruments().data ?? []
  const forms = useScaleForms()
  const keys = useKeyOptions(choice.form)
  const majors = useKeyOptions('major').map((k) => ({ value: k.value, label: k.name }))
  const { data, error, refetch } = useShapes(
    choice.instrument,
    choice.fifths,
    choice.form,
    choice.position,
    choice.compare,
  )
  const style = useStyles().data?.find((s) => s.current)
  const lines = useRef<HTMLDivElement>(null)
  const width = useWidth(lines)
  const tonic = data?.lines[0]?.notes[0]
  const [naming, setNaming] = useState<string | null>(null)
  useKeys({
    ArrowLeft: () => set({ fifths: Math.max(-7, choice.fifths - 1) }),
    ArrowRight: () => set({ fifths: Math.min(7, choice.fifths + 1) }),
    ...Object.fromEntries(instruments.map((i, n) => [String(n + 1), () => set({ instrument: i.id })])),
  })

  return (
    <Screen
      title={data ? `Shapes: ${data.keyName}` : 'Shapes'}
      className="flex min-h-0 flex-1 flex-col max-lg:overflow-y-auto"
    >
      <div className={`border-b border-line ${PAGE_EDGE}`}>
        <PageHead
          title={data?.keyName ?? 'Shapes'}
          aside={
            data && (
              <span className="text-said text-soft">
                {data.keyWords}. {data.orderOfSigns}
              </span>
            )
          }
          actions={
            <Strip
              plain
              lead={
                <InstrumentChoice
                  instruments={instruments}
                  value={choice.instrument}
                  onChange={(instrument) => set({ instrument })}
                />
              }
            >
              <Field label="Key" beside>
                <Select value={choice.fifths} options={keys} onChoose={(fifths) => set({ fifths })} />
              </Field>
              <Choice
                label="Scale"
                hideLabel
                value={choice.form}
                options={forms.map((f) => ({ value: f.form, label: f.name }))}
                onChange={(form) => set({ form })}
              />
              {data && data.positions.length > 1 && (
                <Choice
                  label="Position"
                  value={data.position}
                  options={data.positions.map((p) => ({ value: p, label: p }))}
                  onChange={(position) => set({ position })}
                />
              )}
            </Strip>
          }
        />
      </div>
      {error && (
        <div className="m-6 flex flex-col items-start gap-3">
          <Refused>{error.message}</Refused>
          <Button onClick={() => (choice.position ? set({ position: null }) : void refetch())}>
            {choice.position ? 'Show the position that suits the key' : 'Try again'}
          </Button>
        </div>
      )}
      {data && !error && (
        <div className="grid grid-cols-1 lg:min-h-0 lg:flex-1 lg:grid-cols-[29rem_minmax(0,1fr)]">
          <div className="px-4 py-3 md:px-8 lg:overflow-y-auto">
            <div className="mt-1 mb-2 flex flex-wrap items-center gap-x-3 text-sm">
              <strong className="text-maple-dark">{data.changes}</strong>
              <Field label="Compare with" beside>
                <Select
                  size="small"
                  value={data.comparedFifths}
                  options={majors}
                  onChoose={(compare) => set({ compare })}
                />
              </Field>
            </div>
            <ShapeBoard instrument={data.instrument} shapes={data.shapes} />
            <p className="mt-1 text-sm text-soft">
              Filled bars join half steps; underlined letters changed.
              {data.shapes.some((s) => s.besides.length > 0) && ' In outline: a finger leaves its spot for it.'}{' '}
              {[...new Set(data.shapes.map((s) => s.descriptive))].filter(Boolean).map((name) => (
                <button
                  key={name}
                  type="button"
                  disabled={!style}
                  className="mr-2 min-h-6 content-center text-spruce underline underline-offset-2 max-md:min-h-11"
                  onClick={() => setNaming(name)}
                >
                  Name “{name}”
                </button>
              ))}
            </p>
          </div>
          <div className="border-line bg-sheet px-4 py-4 md:px-6 lg:overflow-y-auto lg:border-l">
            <p className="mb-2 flex flex-wrap items-center justify-between gap-3 text-sm">
              {tonic && <HoldTone key={tonic.midi} midi={tonic.midi} name={tonic.name} />}
              <TextLink to={`/shapes/all${address}`}>All instruments on a page</TextLink>
            </p>
            <div ref={lines} className="flex flex-col gap-3">
              {width > 0 && data.lines.map((line) => <KeyLine key={line.title} line={line} widthPx={width} />)}
            </div>
          </div>
        </div>
      )}
      {naming && style && <NameShape current={style} descriptive={naming} onClose={() => setNaming(null)} />}
    </Screen>
  )
}
