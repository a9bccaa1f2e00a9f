import { useParams, useSearchParams } from 'react-router'
import { useInstruments } from '../api/instruments'
import type { CallBar, CallMoment, Together } from '../api/client'
import { useCurrentClass } from '../register/queries'
import { PaperSheet } from '../ui/PaperSheet'
import { Asked } from '../ui/Asked'
import { ALL } from '../ui/InstrumentChoice'
import { Screen } from '../ui/Screen'
import { Strip } from '../ui/Strip'
import { TextLink } from '../ui/TextLink'
import { Tick } from '../ui/Tick'
import { useTogether } from './queries'
import { PrintEnd } from '../ui/PrintEnd'

/** Between margins of 12 mm on A4, in CSS pixels. */
const WIDTH_PX = 700

type Line = Together['lines'][number]

/** The call sheet: what to call to each section, note by note, as it is printed. */
export function CallPrint() {
  const id = Number(useParams().id)
  const [search, setSearch] = useSearchParams()
  const [current] = useCurrentClass()
  const chosen = search.get('sections') ?? ''
  const asked = useTogether(id, chosen)
  const instruments = useInstruments().data ?? []
  const sheet = asked.data
  const names = sheet?.sections.map((s) => s.instrument) ?? []
  const toggle = (instrument: string) => {
    const next = instruments
      .map((i) => i.id)
      .filter((name) => (name === instrument ? !names.includes(name) : names.includes(name)))
    if (next.length > 0) setSearch({ sections: next.join(',') }, { replace: true })
  }
  return (
    <Screen title={sheet ? `${sheet.title}: call sheet` : 'Call sheet'}>
      <Strip lead={<TextLink to={`/tunes/${id}?for=${ALL}`}>Back to the stand</TextLink>}>
        <fieldset className="flex flex-wrap gap-x-4">
          <legend className="sr-only">Sections</legend>
          {instruments.map((i) => (
            <Tick key={i.id} checked={names.includes(i.id)} onChange={() => toggle(i.id)}>
              {i.name}
            </Tick>
          ))}
        </fieldset>
        <PrintEnd ready={sheet !== undefined} />
      </Strip>
      <Asked of={asked}>
        {sheet && (
          <PaperSheet widthPx={WIDTH_PX} testId="call-sheet">
            <h1 className="text-title">{sheet.title}</h1>
            <p className="mb-1 text-sm text-soft">
              Call sheet{current ? ` for ${current.name}` : ''} · call each pair a moment before it is played
            </p>
            {sheet.sections
              .flatMap((s) => s.cannotPlay)
              .map((text) => (
                <p key={text} className="text-sm text-brick">
                  {text}
                </p>
              ))}
            {sheet.lines.map((line, i) => (
              <CalledLine key={line.firstBar} line={line} order={i} sheet={sheet} />
            ))}
          </PaperSheet>
        )}
      </Asked>
    </Screen>
  )
}

function CalledLine({ line, order, sheet }: { line: Line; order: number; sheet: Together }) {
  const first = Math.max(1, line.bars[0]?.number ?? 1)
  const last = line.bars.at(-1)?.number ?? first
  return (
    <section className="mt-3">
      <h2 className="border-b-2 border-ink text-lg">
        Line {order + 1} <span className="text-maple-dark">{line.letter}</span>
        <span className="ml-2 text-sm font-normal text-soft">
          {first === last ? `bar ${first}` : `bars ${first}–${last}`}
        </span>
      </h2>
      {line.own.length > 0 && <p className="my-1 border-l-4 border-maple pl-2 text-sm">{line.own.join(' ')}</p>}
      <table className="w-full text-sm">
        <thead>
          <tr className="text-left text-fine text-soft">
            <th className="w-11 font-normal">bar</th>
            <th className="w-14 font-normal">count</th>
            <th className="w-16 font-normal">note</th>
            {sheet.sections.map((s) => (
              <th key={s.key} className="w-14 font-normal">
                {s.name}
              </th>
            ))}
            <th className="font-normal">call</th>
          </tr>
        </thead>
        {line.bars.map((bar) => (
          <CalledBar key={bar.id} bar={bar} />
        ))}
      </table>
    </section>
  )
}

/** What is called again at once stands in one row, with all its counts. */
const gathered = (moments: readonly CallMoment[]) =>
  moments.flatMap((moment, i) =>
    moment.times === 0
      ? []
      : [
          {
            moment,
            counts: moments
              .slice(i, i + moment.times)
              .map((m) => m.count)
              .join(' '),
          },
        ],
  )

function CalledBar({ bar }: { bar: CallBar }) {
  return (
    <tbody className="break-inside-avoid border-b border-line">
      {gathered(bar.moments).map(({ moment, counts }, i) => (
        <tr key={`${moment.at}-${i}`} className="align-baseline">
          <th scope="row" className="text-left font-normal text-soft">
            {i === 0 ? bar.number || 'pick-up' : ''}
          </th>
          <td>{counts}</td>
          <td className="font-bold">
            {moment.name}
            {moment.times > 1 && <span className="font-normal"> × {moment.times}</span>}
          </td>
          {moment.sections.map((does, s) => (
            <td key={s} className="font-bold">
              {does.label || <span className="font-normal text-soft">{does.holds ? 'hold' : ''}</span>}
            </td>
          ))}
          <td>
            <Called moment={moment} />
          </td>
        </tr>
      ))}
    </tbody>
  )
}

function Called({ moment }: { moment: CallMoment }) {
  return (
    <>
      {moment.pairs}
      {moment.cues.length > 0 && <span className="block text-fine text-soft italic">{moment.cues.join('; ')}</span>}
    </>
  )
}
