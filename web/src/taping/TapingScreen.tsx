import { useInstruments } from '../api/instruments'
import { useTaping } from './queries'
import { Button } from '../ui/Button'
import { Choice } from '../ui/Choice'
import { Field, Input } from '../ui/Field'
import { InstrumentChoice } from '../ui/InstrumentChoice'
import { useKept } from '../offline/kept'
import { Refused, SideNote } from '../ui/Said'
import { Page } from '../ui/Page'
import { Strip } from '../ui/Strip'
import { TextLink } from '../ui/TextLink'
import { lengthOf } from './length'
import { TapeStrip } from './TapeStrip'
import { PrintEnd } from '../ui/PrintEnd'

/** The instrument that was looked at, and for each its size and what was measured on it. */
type Chosen = { instrument: string; size: Record<string, string>; measured: Record<string, string> }
const FIRST: Chosen = { instrument: '', size: {}, measured: {} }

/** Where to stick the tapes, in millimetres, with a strip true to scale. */
export function TapingScreen() {
  const instruments = useInstruments().data ?? []
  const [kept, keep] = useKept<Chosen>('taping')
  const now = kept ?? FIRST
  const player = instruments.find((i) => i.id === now.instrument) ?? instruments[0]
  const id = player?.id ?? ''
  const size = player?.sizes.find((s) => s.name === now.size[id]) ?? player?.sizes[0]
  const measured = now.measured[id] ?? ''
  const isMeasured = measured.trim() !== ''
  const length = isMeasured ? lengthOf(measured) : (size?.stringLengthMm ?? null)
  const taping = useTaping(id, length)
  const isNoNumber = isMeasured && length === null
  const isWrong = isNoNumber || Boolean(taping.error)
  const measure = (typed: string) => keep({ ...now, measured: { ...now.measured, [id]: typed } })

  return (
    <Page
      title="Taping sheet"
      subtitle={
        !isWrong &&
        length !== null &&
        `${player?.name ?? ''}, ${isMeasured ? 'measured string' : (size?.name ?? '')}, string length ${length} mm`
      }
      actions={
        <Strip
          plain
          lead={
            <InstrumentChoice
              instruments={instruments}
              value={id}
              onChange={(instrument) => keep({ ...now, instrument })}
            />
          }
        >
          {player && (
            <>
              <Choice
                label="Size"
                value={isMeasured ? '' : (size?.name ?? '')}
                options={player.sizes.map((s) => ({ value: s.name, label: s.name }))}
                onChange={(name) =>
                  keep({ ...now, size: { ...now.size, [id]: name }, measured: { ...now.measured, [id]: '' } })
                }
              />
              <Field label="or measured, nut to bridge, mm" beside>
                <Input
                  size="strip"
                  width="w-20"
                  inputMode="decimal"
                  maxLength={20}
                  value={measured}
                  aria-invalid={isWrong}
                  aria-describedby={isWrong ? 'length-expected' : undefined}
                  onChange={(e) => measure(e.target.value)}
                />
              </Field>
            </>
          )}
          <PrintEnd ready={taping.data !== undefined} />
        </Strip>
      }
    >
      <div className="max-w-[672px]">
        {isWrong && (
          <div className="mt-4 flex flex-col items-start gap-3" id="length-expected">
            <Refused>
              {isNoNumber
                ? `“${measured.trim()}” is no length; expected millimetres from the nut to the bridge as a number, such as 328 or 328.5.`
                : taping.error?.message}
            </Refused>
            {!isMeasured && <Button onClick={() => void taping.refetch()}>Try again</Button>}
          </div>
        )}
        {taping.data && (
          <>
            <table className="mt-4 w-full max-w-md text-left">
              <thead>
                <tr className="border-b border-line-dark text-sm text-soft">
                  <th className="py-1 font-normal">Tape</th>
                  <th className="py-1 font-normal">Half steps above open</th>
                  <th className="py-1 text-right font-normal">From the nut</th>
                </tr>
              </thead>
              <tbody>
                {taping.data.map((t) => (
                  <tr key={t.tape.semitones} className="border-b border-line">
                    <td className="py-1.5 font-bold">{t.tape.name}</td>
                    <td className="py-1.5">{t.tape.semitones}</td>
                    <td className="py-1.5 text-right font-head text-xl">{t.millimetres.toFixed(1)} mm</td>
                  </tr>
                ))}
              </tbody>
            </table>
            <div className="my-4">
              <SideNote>
                Check every tape by ear before it sticks: real strings are not ideal, and a bridge moves. The sizes’
                lengths are usual ones; measuring your own string is better.
              </SideNote>
            </div>
            <p className="no-print mb-4 text-sm text-soft">
              Which tapes there are, and what they are called, is set in the{' '}
              <TextLink inSentence to="/style">
                house style
              </TextLink>
              .
            </p>
            <TapeStrip tapes={taping.data} />
          </>
        )}
      </div>
    </Page>
  )
}
