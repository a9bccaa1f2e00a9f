import { Link, useNavigate, useParams, useSearchParams } from 'react-router'
import { useReading } from '../api/queries'
import { useEngraving } from '../engraving/engraver'
import { EngravedPage } from '../engraving/EngravedPage'
import { engravingOptions, ROWS, withRowsOnly } from '../engraving/layout'
import { TuneHead } from '../stand/TuneHead'
import { Button } from '../ui/Button'
import { useKeys } from '../ui/useKeys'

// Printable area at 96 CSS pixels an inch, inside margins of 12 mm; the first page also bears the heading.
const PAPERS = { a4: { name: 'A4', width: 700, height: 1000 }, letter: { name: 'Letter', width: 722, height: 934 } }
const HEADING = 150

/** The paper with the chosen rows, page by page as it will be printed. */
export function PrintView() {
  const id = Number(useParams().id)
  const navigate = useNavigate()
  const [search, setSearch] = useSearchParams()
  const instrument = search.get('for') ?? 'violin'
  const rows = ROWS.map((r) => r.id).filter((r) => (search.get('rows') ?? 'pair').split(',').includes(r))
  const paper = search.get('paper') === 'letter' ? 'letter' : 'a4'
  const size = PAPERS[paper]
  const { data } = useReading(id, instrument)
  const engraving = useEngraving(
    data && withRowsOnly(data.musicXml, rows),
    engravingOptions(size.width, rows, { heightPx: size.height - HEADING }),
  )
  const back = `/tunes/${id}?for=${instrument}`
  useKeys({ Escape: () => navigate(back) })

  return (
    <main>
      <style>{`@page { size: ${size.name}; }`}</style>
      <div className="no-print flex items-center gap-5 border-b border-line bg-paper px-6 py-3">
        <Link to={back} className="font-bold text-spruce underline underline-offset-4">
          Back to the stand
        </Link>
        <fieldset className="flex gap-4">
          <legend className="sr-only">Paper</legend>
          {Object.entries(PAPERS).map(([key, p]) => (
            <label key={key} className="flex items-center gap-1.5">
              <input
                type="radio"
                name="paper"
                className="accent-spruce"
                checked={paper === key}
                onChange={() => setSearch({ for: instrument, rows: rows.join(','), paper: key }, { replace: true })}
              />
              {p.name}
            </label>
          ))}
        </fieldset>
        <Button kind="go" className="ml-auto" disabled={engraving.working} onClick={() => window.print()}>
          Print, or save as PDF
        </Button>
      </div>
      {data && (
        <div className="mx-auto box-content bg-white p-[12mm] print:p-0" style={{ width: size.width }}>
          {engraving.pages.map((svg, i) => (
            <section key={i} className={i < engraving.pages.length - 1 ? 'break-after-page' : ''} data-testid="sheet">
              {i === 0 && <TuneHead reading={data} />}
              {i === 0 && <p className="-mt-1 mb-1 text-sm">For {data.instrument.name.toLowerCase()}</p>}
              <EngravedPage svg={svg} reading={data} rows={rows} />
            </section>
          ))}
        </div>
      )}
    </main>
  )
}
