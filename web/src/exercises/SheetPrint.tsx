import { useSearchParams, useNavigate } from 'react-router'
import { useInstruments } from '../api/instruments'
import { Choice } from '../ui/Choice'
import { Field, Select } from '../ui/Field'
import { useKept } from '../offline/kept'
import { Refused } from '../ui/Said'
import { Screen } from '../ui/Screen'
import { Strip } from '../ui/Strip'
import { TextLink } from '../ui/TextLink'
import { Tick } from '../ui/Tick'
import { useKeys } from '../ui/useKeys'
import { FootKey } from './FootKey'
import { SheetPaper } from './SheetPaper'
import { STAVES, YOUNG_STAFF_MM } from './staves'
import { useOpenBench } from './useOpenBench'
import { PrintEnd } from '../ui/PrintEnd'

const PAPERS = { a4: { name: 'A4', width: 700 }, letter: { name: 'Letter', width: 722 } }
const MARGIN_PX = 46

const WHERE = [
  { value: 'page', label: 'on a page of their own' },
  { value: 'foot', label: 'upside down at the foot' },
  { value: 'none', label: 'not printed' },
] as const

/** The sheet on the bench, every instrument on its own page, as it will be printed. */
export function SheetPrint() {
  const navigate = useNavigate()
  const [search, setSearch] = useSearchParams()
  const opened = useOpenBench(null, null)
  const instruments = useInstruments().data ?? []
  const bench = opened.data?.opened
  const paper = search.get('paper') === 'letter' ? 'letter' : 'a4'
  const answers = WHERE.find((w) => w.value === search.get('answers'))?.value ?? 'page'
  const pairs = search.get('pairs') !== 'no'
  const [kept, keepStaff] = useKept<number>('sheet-staff')
  const staffMm = kept ?? YOUNG_STAFF_MM
  const set = (changed: Record<string, string>) =>
    setSearch({ paper, answers, pairs: pairs ? 'yes' : 'no', ...changed }, { replace: true })
  useKeys({ Escape: () => void navigate('/exercises') })
  const size = PAPERS[paper]
  const wanted = instruments.filter((i) => bench?.instruments.includes(i.id))
  const pages = wanted.flatMap((instrument) => [
    { instrument, solved: false },
    ...(answers === 'page' ? [{ instrument, solved: true }] : []),
  ])
  return (
    <Screen title={bench?.heading || 'A sheet'}>
      <style>{`@page { size: ${size.name}; }`}</style>
      <Strip lead={<TextLink to="/exercises">Back to the bench</TextLink>}>
        <Choice
          label="Paper"
          value={paper}
          options={[
            { value: 'a4', label: 'A4' },
            { value: 'letter', label: 'Letter' },
          ]}
          onChange={(p) => set({ paper: p })}
        />
        <Field label="Staff" beside>
          <Select
            value={staffMm}
            options={STAVES.map((mm) => ({
              value: mm,
              label: `${mm} mm${mm === YOUNG_STAFF_MM ? ', for young hands' : ''}`,
            }))}
            onChoose={keepStaff}
          />
        </Field>
        <Field label="Answers" beside>
          <Select value={answers} options={WHERE} onChoose={(where) => set({ answers: where })} />
        </Field>
        <Tick checked={pairs} onChange={(on) => set({ pairs: on ? 'yes' : 'no' })}>
          String and finger under music
        </Tick>
        <PrintEnd ready={(bench?.parts.length ?? 0) > 0} />
      </Strip>
      {opened.error && (
        <div className="m-6">
          <Refused>{opened.error.message}</Refused>
        </div>
      )}
      {bench?.parts.length === 0 && (
        <div className="m-6">
          <h1 className="mb-2 text-2xl">Nothing to print</h1>
          <p>
            The bench is empty. <TextLink to="/exercises">Put something on it</TextLink> first.
          </p>
        </div>
      )}
      {bench && bench.parts.length > 0 && (
        <div
          className="sheets mx-auto box-content bg-white p-[12mm] print:p-0"
          style={{ width: size.width, maxWidth: `calc(100vw - ${2 * MARGIN_PX}px)` }}
        >
          {pages.map(({ instrument, solved }, i) => (
            <section
              key={`${instrument.id} ${solved}`}
              data-testid="sheet"
              className={`flex flex-col ${i < pages.length - 1 ? 'break-after-page' : ''}`}
            >
              <SheetPaper
                heading={bench.heading}
                nameLine={bench.nameLine}
                parts={bench.parts}
                instrument={instrument}
                widthPx={size.width}
                staffMm={staffMm}
                pairs={pairs}
                solved={solved}
              />
              {answers === 'foot' && <FootKey parts={bench.parts} instrument={instrument.id} />}
            </section>
          ))}
        </div>
      )}
    </Screen>
  )
}
