import { useMemo } from 'react'
import { useParams, useSearchParams } from 'react-router'
import { useInstruments } from '../api/instruments'
import { useClass } from '../register/queries'
import { EngravedPage } from '../engraving/EngravedPage'
import { EngravingMishap } from '../engraving/EngravingMishap'
import { engravingOptions, type Form, type RowId } from '../engraving/layout'
import { withRoom } from '../engraving/room'
import { useEngraving } from '../engraving/useEngraving'
import { PaperSheet } from '../ui/PaperSheet'
import { useReading } from '../walk/queries'
import { Asked } from '../ui/Asked'
import { InstrumentChoice } from '../ui/InstrumentChoice'
import { Screen } from '../ui/Screen'
import { Strip } from '../ui/Strip'
import { TextLink } from '../ui/TextLink'
import { tuneOf, useLessonAlone, type LessonStep } from './queries'
import { PrintEnd } from '../ui/PrintEnd'
import { weekdayOf } from '../calendar/days'

const WIDTH_PX = 700
const FORM: Form = { pieceMm: 8 }
const ROWS: readonly RowId[] = ['pair']

/** The lesson as a page to follow alone, for one who missed it. */
export function MissedPrint() {
  const { class: classId, id } = useParams()
  const [search, setSearch] = useSearchParams()
  const one = useClass(Number(classId)).data
  const all = useInstruments().data ?? []
  const instruments = all.filter(
    (i) => !one || one.learners.length === 0 || one.learners.some((l) => l.instrument === i.id),
  )
  const instrument = instruments.find((i) => i.id === search.get('for')) ?? instruments[0]
  const asked = useLessonAlone(Number(classId), Number(id), instrument?.id)
  const lesson = asked.data
  const tunes = lesson?.tunes.filter((t) => t.id != null) ?? []
  const steps = lesson?.steps.filter((s) => s.step.part !== 'home') ?? []
  const general = steps.filter((s) => s.step.tune == null || isOfKey(s))
  return (
    <Screen title={lesson ? `What we did on ${weekdayOf(lesson.day)}` : 'What we did'}>
      <Strip lead={<TextLink to={`/lesson/${classId}/${id}`}>Back to the lesson</TextLink>}>
        {instrument && (
          <InstrumentChoice
            instruments={instruments}
            value={instrument.id}
            onChange={(next) => setSearch({ for: next }, { replace: true })}
          />
        )}
        <PrintEnd ready={lesson !== undefined} />
      </Strip>
      <Asked of={asked}>
        {lesson && instrument && (
          <PaperSheet widthPx={WIDTH_PX} testId="missed">
            <h1 className="text-title">What we did on {weekdayOf(lesson.day)}</h1>
            <p className="mb-3 text-soft">
              {one?.summary.name}, for {instrument.name.toLowerCase()}. Go through it in your own time and tick as you
              go. Rest when your hands are tired; stop when anything hurts.
            </p>
            <Steps steps={general} />
            {tunes.map((t) => (
              <section key={t.id} className="mt-4 break-inside-avoid">
                <h2 className="border-b-2 border-ink text-xl">{t.title}</h2>
                <Music tuneId={t.id ?? 0} instrument={instrument.id} />
                <Steps steps={steps.filter((s) => tuneOf(lesson, s.step) === t && !isOfKey(s))} />
              </section>
            ))}
            <section className="mt-4 break-inside-avoid">
              <h2 className="border-b-2 border-ink text-xl">To practise at home</h2>
              <p className="my-2">
                {lesson.home.map((h) => h.title + h.how).join('; ') || 'Nothing is set yet for the days after it.'}
              </p>
            </section>
          </PaperSheet>
        )}
      </Asked>
    </Screen>
  )
}

/** About a key or a meter, which its tune shares with others. */
const isOfKey = (s: LessonStep) => s.step.fifths != null || s.step.part === 'beat'

function Steps({ steps }: { steps: readonly LessonStep[] }) {
  return (
    <ul className="my-2">
      {steps.map((s) => (
        <li key={s.step.id} className="flex items-baseline gap-2 py-0.5">
          <span className="inline-block size-3 shrink-0 border border-ink" />
          <span>
            <b>{s.title}</b> {s.time && <span className="text-sm">({s.time})</span>}{' '}
            <span className="text-sm text-soft">{s.detail}</span>
          </span>
        </li>
      ))}
    </ul>
  )
}

function Music({ tuneId, instrument }: { tuneId: number; instrument: string }) {
  const reading = useReading(tuneId, instrument).data
  const xml = useMemo(() => reading && withRoom(reading, ROWS, FORM), [reading])
  const engraving = useEngraving(xml, OPTIONS)
  return (
    <div className="my-2">
      {reading &&
        engraving.pages.map((page, i) => (
          <EngravedPage key={i} svg={page.svg} reading={reading} rows={ROWS} form={FORM} />
        ))}
      <EngravingMishap engraving={engraving} source={undefined} />
    </div>
  )
}

const OPTIONS = { ...engravingOptions(WIDTH_PX, ROWS, FORM), minLastJustification: 0 }
