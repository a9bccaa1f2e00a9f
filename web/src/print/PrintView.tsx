import { useCallback, useMemo, useRef, useState } from 'react'
import { useNavigate, useSearchParams } from 'react-router'
import { useBefore } from '../walk/queries'
import { EngravedPage } from '../engraving/EngravedPage'
import { EngravingMishap } from '../engraving/EngravingMishap'
import { engravingOptions, rowsOf, STAVES_MM, USUAL_STAFF_MM, type Form, type Layout } from '../engraving/layout'
import { BarByBar, type Page } from '../engraving/pages'
import { fitOf, withRoom, wordsHeight, type Breaks } from '../engraving/room'
import { Working } from '../engraving/Working'
import { FormSheet } from './FormSheet'
import { useEvenEngraving } from './useEvenEngraving'
import { TuneHead, useOpenTune } from '../stand'
import { Field, Select } from '../ui/Field'
import { useKept } from '../offline/kept'
import { Mishap } from '../ui/Mishap'
import { Screen } from '../ui/Screen'
import { Strip } from '../ui/Strip'
import { TextLink } from '../ui/TextLink'
import { Tick } from '../ui/Tick'
import { useKeys } from '../ui/useKeys'
import { useWidth } from '../ui/useWidth'
import { PrintEnd } from '../ui/PrintEnd'

// Printable area at 96 CSS pixels an inch, inside margins of 12 mm; the first page also bears the heading.
const PAPERS = { a4: { name: 'A4', width: 700, height: 1000 }, letter: { name: 'Letter', width: 722, height: 934 } }
const HEADING = 150
/** 12 mm. */
const MARGIN_PX = 46
const STAFF_WORDS: Partial<Record<number, string>> = { [USUAL_STAFF_MM]: ', usual', 9: ', for young hands' }
/** Least room for what is said before a line. */
const WORDS_PX = 30

/** The paper with the chosen rows, page by page as it will be printed. */
export function PrintView() {
  const navigate = useNavigate()
  const [search, setSearch] = useSearchParams()
  const { id, tune, instrument, reading: data, error, again } = useOpenTune()
  const chosen = search.get('rows') ?? 'pair'
  const rows = useMemo(
    () =>
      rowsOf(data)
        .map((r) => r.id)
        .filter((r) => chosen.split(',').includes(r)),
    [chosen, data],
  )
  const paper = search.get('paper') === 'letter' ? 'letter' : 'a4'
  const [keptStaff, keepStaff] = useKept<number>('staff')
  const staffMm = STAVES_MM.find((mm) => mm === Number(search.get('staff') ?? keptStaff)) ?? USUAL_STAFF_MM
  const above = search.get('before') === 'yes'
  const withForm = search.get('form') === 'yes'
  const [systems, setSystems] = useState<Record<number, string[]>>({})
  const size = PAPERS[paper]
  const [abovePx, setAbovePx] = useState(WORDS_PX)
  const [fit, setFit] = useState(1)
  const heightPx = (size.height - HEADING) / fit
  const widthPx = size.width / fit
  const form = useMemo<Form>(
    () => ({ heightPx, abovePx: above ? abovePx : 0, staffMm }),
    [heightPx, above, abovePx, staffMm],
  )
  const xmlWith = useMemo(
    () => data && ((breaks: Breaks | null) => withRoom(data, rows, form, breaks)),
    [data, rows, form],
  )
  const fitting = useMemo(() => (data ? fitOf(data, rows, size.width, form) : 1), [data, rows, size.width, form])
  if (fitting !== fit) setFit(fitting)
  const engraving = useEvenEngraving(xmlWith, engravingOptions(widthPx, rows, form))
  const order = useMemo(() => new Map(data?.bars.map((b, i) => [b.id, i])), [data])
  const cut = useMemo(() => data && new BarByBar(data), [data])
  const lines = engraving.pages.map((_, page) => systems[page] ?? [])
  const starts = lines.flatMap((bars) => bars.map((bar) => order.get(bar) ?? 0))
  // While pages are measured anew, old and new ones may not go together.
  const inOrder = starts.every((bar, i) => bar > (starts[i - 1] ?? -1))
  const before = useBefore(id, instrument, above && inOrder ? starts : []).data
  const words = before?.map((remarks) => remarks.map((r) => r.text).join(' '))
  // The longest says how much room all lines get.
  const needed = words && Math.max(WORDS_PX, ...words.map((text) => wordsHeight(text, widthPx)))
  if (needed && needed !== abovePx) setAbovePx(needed)
  // What each page says, from the words of all lines.
  const said = words?.values()
  const remarks = lines.map((bars) => bars.map(() => said?.next().value ?? ''))
  const keep = useCallback(
    (page: number) => (layout: Layout) =>
      setSystems((s) => {
        const bars = layout.systems.map((system) => system.bars[0] ?? '')
        return s[page]?.join() === bars.join() ? s : { ...s, [page]: bars }
      }),
    [],
  )
  const set = (changed: Record<string, string>) =>
    setSearch(
      {
        for: instrument,
        rows: rows.join(','),
        paper,
        staff: String(staffMm),
        ...(above ? { before: 'yes' } : {}),
        ...(withForm ? { form: 'yes' } : {}),
        ...changed,
      },
      { replace: true },
    )
  const back = `/tunes/${id}?for=${instrument}`
  useKeys({ Escape: () => void navigate(back) })

  const sheetPx = size.width + 2 * MARGIN_PX
  const view = useRef<HTMLDivElement>(null)
  const windowPx = useWidth(view)

  return (
    <Screen title={`Print ${tune?.summary.title ?? 'a tune'}`}>
      <style>{`@page { size: ${size.name}; }`}</style>
      <Strip lead={<TextLink to={back}>Back to the stand</TextLink>}>
        <fieldset className="flex gap-4">
          <legend className="sr-only">Paper</legend>
          {Object.entries(PAPERS).map(([key, p]) => (
            <label key={key} className="flex min-h-6 items-center gap-1.5 max-md:min-h-11 max-md:min-w-11">
              <input
                type="radio"
                name="paper"
                className="accent-spruce"
                checked={paper === key}
                onChange={() => set({ paper: key })}
              />
              {p.name}
            </label>
          ))}
        </fieldset>
        <Field label="Staff" beside>
          <Select
            value={staffMm}
            options={STAVES_MM.map((mm) => ({ value: mm, label: `${mm} mm${STAFF_WORDS[mm] ?? ''}` }))}
            onChoose={(mm) => {
              keepStaff(mm)
              set({ staff: String(mm) })
            }}
          />
        </Field>
        <Tick checked={above} onChange={(on) => set({ before: on ? 'yes' : 'no' })}>
          What to say before each line
        </Tick>
        <Tick checked={withForm} onChange={(on) => set({ form: on ? 'yes' : 'no' })}>
          Line map and trouble spots
        </Tick>
        {fit < 1 && (
          <p role="status" className="text-sm">
            The widest bar needs a staff of {(staffMm * fit).toFixed(1)} mm.
          </p>
        )}
        <PrintEnd ready={!engraving.working && data !== undefined} />
      </Strip>
      <div ref={view} />
      {error && !data && (
        <Mishap
          title={tune ? `“${tune.summary.title}” cannot be shown` : 'The tune cannot be shown'}
          why={error.message}
          source={tune?.source}
          onAgain={again}
        />
      )}
      {data && cut && (
        <div
          className="sheets mx-auto box-content bg-white p-[12mm] print:p-0"
          // Where the window is narrower than the paper, the paper is shown smaller.
          style={{ width: size.width, zoom: windowPx ? Math.min(1, windowPx / sheetPx) : 1 }}
        >
          <TuneHead reading={data} />
          <p className="-mt-1 mb-1 text-sm">For {data.instrument.name.toLowerCase()}</p>
          {engraving.pages.map((page, i) => (
            <section key={i} className={i < engraving.pages.length - 1 ? 'break-after-page' : ''} data-testid="sheet">
              <div style={{ zoom: fit }}>
                <PrintedPage
                  page={page}
                  order={i}
                  cut={cut}
                  rows={rows}
                  form={form}
                  above={above ? remarks[i] : undefined}
                  keep={keep}
                />
              </div>
            </section>
          ))}
          <EngravingMishap engraving={engraving} source={tune?.source} />
          {!engraving.error && <Working notes={data.notes.length} engraving={engraving} />}
          {withForm && <FormSheet reading={data} />}
        </div>
      )}
    </Screen>
  )
}

function PrintedPage({
  page,
  order,
  cut,
  keep,
  ...shown
}: Omit<Parameters<typeof EngravedPage>[0], 'svg' | 'reading'> & {
  page: Page
  order: number
  cut: BarByBar
  keep: (page: number) => (layout: Layout) => void
}) {
  const onLayout = useMemo(() => keep(order), [keep, order])
  const part = useMemo(() => cut.on(page), [cut, page])
  return <EngravedPage {...shown} svg={page.svg} reading={part} onLayout={onLayout} />
}
