import { useInstruments } from '../api/instruments'
import { useShapes } from './queries'
import { Asked } from '../ui/Asked'
import { Screen } from '../ui/Screen'
import { Strip } from '../ui/Strip'
import { TextLink } from '../ui/TextLink'
import { ShapeBoard } from './ShapeBoard'
import { useKeyChoice } from './useKeyChoice'
import { PrintEnd } from '../ui/PrintEnd'

/** Three rows of boards fill a page. */
const HEIGHT = 262

/** One key on all instruments, on one printable page. */
export function AllShapes() {
  const { choice, address } = useKeyChoice()
  const instruments = useInstruments().data ?? []
  const asked = useShapes(instruments[0]?.id ?? '', choice.fifths, choice.form, null, choice.compare)
  const first = asked.data
  return (
    <Screen title={first ? `All shapes: ${first.keyName}` : 'All shapes'}>
      <Strip lead={<TextLink to={`/shapes${address}`}>Back to shapes</TextLink>}>
        <PrintEnd />
      </Strip>
      <div className="mx-auto max-w-[700px] bg-white p-4 md:p-6 print:p-0">
        <Asked of={asked}>{null}</Asked>
        {first && (
          <>
            <h1 className="text-2xl">{first.keyName}</h1>
            <p className="text-sm">
              {first.keyWords}. {first.changes}
            </p>
          </>
        )}
        <div className="mt-3 grid gap-x-6 gap-y-1 sm:grid-cols-2 print:grid-cols-2">
          {instruments.map((i) => (
            <OneInstrument key={i.id} id={i.id} name={i.name} />
          ))}
        </div>
      </div>
    </Screen>
  )
}

/** One board, or one for each position in which the hand lives. */
function OneInstrument({ id, name }: { id: string; name: string }) {
  const { choice } = useKeyChoice()
  const { data } = useShapes(id, choice.fifths, choice.form, null, choice.compare)
  const positions = data?.pagePositions ?? []
  return (
    <section className={`break-inside-avoid ${positions.length > 1 ? 'col-span-full' : ''}`}>
      {positions.length > 1 ? (
        <>
          <h2 className="text-lg">{name}</h2>
          <div className="grid gap-x-6 sm:grid-cols-2 print:grid-cols-2">
            {positions.map((position) => (
              <InPosition key={position} id={id} position={position} />
            ))}
          </div>
        </>
      ) : (
        <>
          <h2 className="text-lg">
            {name}
            {data?.besidesFirst && <span className="text-sm font-normal"> in {data.besidesFirst}</span>}
          </h2>
          {data && <ShapeBoard instrument={data.instrument} shapes={data.shapes} height={HEIGHT} />}
        </>
      )}
    </section>
  )
}

function InPosition({ id, position }: { id: string; position: string }) {
  const { choice } = useKeyChoice()
  const { data } = useShapes(id, choice.fifths, choice.form, position, choice.compare)
  if (!data) return null
  return (
    <section aria-label={data.positionSpoken}>
      <h3 className="text-base">In {data.positionSpoken}</h3>
      <ShapeBoard instrument={data.instrument} shapes={data.shapes} height={HEIGHT} />
    </section>
  )
}
