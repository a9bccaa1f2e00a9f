import { useMemo } from 'react'
import { useParams } from 'react-router'
import { useClass } from '../register/queries'
import { EngravedPage } from '../engraving/EngravedPage'
import { engravingOptions, type Form, type RowId } from '../engraving/layout'
import { withRoom } from '../engraving/room'
import { useEngraving } from '../engraving/useEngraving'
import { useInstruments } from '../api/instruments'
import { Asked } from '../ui/Asked'
import { Screen } from '../ui/Screen'
import { Strip } from '../ui/Strip'
import { TextLink } from '../ui/TextLink'
import { useBooklet, usePieceReading, usePieces, type BookletDoc, type ClassPiece } from './queries'
import { PrintEnd } from '../ui/PrintEnd'

/** The width between the margins of a page of A4, and its height, in CSS pixels. */
const PAGE = { width: 700, height: 1000 }
const STAFF_MM = { 1: 9, 2: 8 } as const
const PAIRS: readonly RowId[] = ['pair']
const NO_ROWS: readonly RowId[] = []
/** Title page and contents come before the first piece. */
const BEFORE = 2

/** The booklet page by page as it is printed: title, contents, and the pieces engraved. */
export function BookletPrint() {
  const id = Number(useParams().id)
  const booklet = useBooklet(id)
  const pieces = usePieces(id).data?.pieces ?? []
  const one = useClass(id).data
  const names = new Map(useInstruments().data?.map((i) => [i.id, i.name]))
  const doc = booklet.data
  const chosen = doc?.pieces.flatMap((p) => pieces.find((x) => x.id === p) ?? []) ?? []
  const perPage = doc?.perPage === 1 ? 1 : 2
  const pages = Array.from({ length: Math.ceil(chosen.length / perPage) }, (_, i) =>
    chosen.slice(i * perPage, (i + 1) * perPage),
  )
  const titleOf = (p: ClassPiece, at: number) =>
    doc?.names ? `${p.nickname}’s piece` : `Piece ${at + 1} for ${(names.get(p.instrument) ?? '').toLowerCase()}`
  return (
    <Screen title={doc?.title ?? 'Booklet'}>
      <style>{'@page { size: A4; }'}</style>
      <Strip lead={<TextLink to={`/classes/${id}/booklet`}>Back to the booklet</TextLink>}>
        <PrintEnd ready={chosen.length > 0} />
      </Strip>
      <Asked of={booklet}>
        {doc && (
          <div
            className="mx-auto max-w-full overflow-x-auto bg-white print:overflow-visible"
            style={{ width: PAGE.width }}
          >
            <Sheet>
              <div className="flex flex-1 flex-col items-center justify-center text-center">
                <h1 className="text-5xl leading-tight">{doc.title}</h1>
                <p className="mt-6 text-xl">{one?.summary.name}</p>
                <p className="mt-2 text-soft">
                  {chosen.length} {chosen.length === 1 ? 'piece' : 'pieces'} for{' '}
                  {[...new Set(chosen.map((p) => (names.get(p.instrument) ?? '').toLowerCase()))].join(', ')}
                </p>
              </div>
            </Sheet>
            <Sheet number={BEFORE}>
              <h2 className="mb-4 text-3xl">Contents</h2>
              <ol>
                {chosen.map((p, at) => (
                  <li key={p.id} className="flex items-baseline gap-3 border-b border-line py-1.5 text-lg">
                    <span className="flex-1">{titleOf(p, at)}</span>
                    <span className="text-soft">{names.get(p.instrument)}</span>
                    <span className="w-8 text-right font-bold">{BEFORE + 1 + Math.floor(at / perPage)}</span>
                  </li>
                ))}
              </ol>
            </Sheet>
            {pages.map((onPage, n) => (
              <Sheet key={n} number={BEFORE + 1 + n}>
                {onPage.map((p, i) => (
                  <Piece
                    key={p.id}
                    id={id}
                    piece={p}
                    title={titleOf(p, n * perPage + i)}
                    instrument={names.get(p.instrument) ?? ''}
                    doc={doc}
                  />
                ))}
              </Sheet>
            ))}
          </div>
        )}
      </Asked>
    </Screen>
  )
}

function Sheet({ number, children }: { number?: number; children: React.ReactNode }) {
  return (
    <section
      className="flex break-after-page flex-col border-b-4 border-line py-6 last:break-after-auto print:border-0 print:py-0"
      style={{ minHeight: PAGE.height - 20 }}
      data-testid="booklet-page"
    >
      <div className="flex flex-1 flex-col justify-start gap-16">{children}</div>
      {number !== undefined && <p className="text-center text-sm text-soft">{number}</p>}
    </section>
  )
}

function Piece({
  id,
  piece,
  title,
  instrument,
  doc,
}: {
  id: number
  piece: ClassPiece
  title: string
  instrument: string
  doc: BookletDoc
}) {
  const reading = usePieceReading(id, piece.id, null).data
  const staffMm = STAFF_MM[doc.perPage === 1 ? 1 : 2]
  const rows = doc.pairs ? PAIRS : NO_ROWS
  const form = useMemo<Form>(() => ({ pieceMm: staffMm }), [staffMm])
  const xml = useMemo(() => reading && withRoom(reading, rows, form), [reading, rows, form])
  const options = useMemo(
    () => ({ ...engravingOptions(PAGE.width, rows, form), minLastJustification: 0 }),
    [rows, form],
  )
  const { pages } = useEngraving(xml, options)
  return (
    <article className="break-inside-avoid pb-6" data-booklet-piece={piece.id}>
      <header className="mb-3 flex items-baseline justify-between gap-4">
        <h2 className="text-2xl">{title}</h2>
        <p className="text-soft">for {instrument.toLowerCase()}</p>
      </header>
      {reading &&
        pages.map((page, i) => <EngravedPage key={i} svg={page.svg} reading={reading} rows={rows} form={form} />)}
    </article>
  )
}
