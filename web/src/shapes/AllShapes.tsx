import { useInstruments } from '../api/instruments'
import { useShapes } from './queries'
import { Button } from '../ui/Button'
import { Strip, StripEnd } from '../ui/Strip'
import { TextLink } from '../ui/TextLink'
import { ShapeBoard } from './ShapeBoard'
import { useKeyChoice } from './useKeyChoice'

/** One key on all instruments, on one printable page. */
export function AllShapes() {
  const { choice, address } = useKeyChoice()
  const instruments = useInstruments().data ?? []
  const first = useShapes(instruments[0]?.id ?? '', choice.fifths, choice.form, null, choice.compare).data
  return (
    <main>
      <Strip>
        <TextLink to={`/shapes${address}`}>Back to shapes</TextLink>
        <StripEnd>
          <Button kind="go" onClick={() => window.print()}>
            Print, or save as PDF
          </Button>
        </StripEnd>
      </Strip>
      <div className="mx-auto max-w-[700px] bg-white p-6 print:p-0">
        {first && (
          <>
            <h1 className="text-2xl">{first.keyName}</h1>
            <p className="text-sm">
              {first.keyWords}. {first.changes}
            </p>
          </>
        )}
        <div className="mt-3 grid grid-cols-2 gap-x-6 gap-y-2">
          {instruments.map((i) => (
            <OneInstrument key={i.id} id={i.id} name={i.name} />
          ))}
        </div>
      </div>
    </main>
  )
}

function OneInstrument({ id, name }: { id: string; name: string }) {
  const { choice } = useKeyChoice()
  const { data } = useShapes(id, choice.fifths, choice.form, null, choice.compare)
  return (
    <section className="break-inside-avoid">
      <h2 className="text-lg">
        {name}
        {data?.besidesFirst && <span className="text-sm font-normal"> in {data.besidesFirst}</span>}
      </h2>
      {data && <ShapeBoard instrument={data.instrument} shapes={data.shapes} height={300} />}
    </section>
  )
}
