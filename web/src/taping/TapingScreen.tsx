import { useState } from 'react'
import { useInstruments } from '../api/instruments'
import { useTaping } from './queries'
import { Button } from '../ui/Button'
import { Choice } from '../ui/Choice'
import { Field, Input } from '../ui/Field'
import { Refused, SideNote } from '../ui/Said'
import { Strip, StripEnd } from '../ui/Strip'
import { TextLink } from '../ui/TextLink'
import { TapeStrip } from './TapeStrip'

/** Where to stick the tapes, in millimetres, with a strip true to scale. */
export function TapingScreen() {
  const instruments = useInstruments().data ?? []
  const [instrument, setInstrument] = useState('')
  const [size, setSize] = useState('')
  const [measured, setMeasured] = useState('')
  const player = instruments.find((i) => i.id === instrument) ?? instruments[0]
  const chosen = player?.sizes.find((s) => s.name === size) ?? player?.sizes[0]
  const length = measured.trim() === '' ? (chosen?.stringLengthMm ?? 0) : Number(measured.replace(',', '.'))
  const taping = useTaping(player?.id ?? '', length)

  return (
    <main className="min-h-0 flex-1 overflow-y-auto print:overflow-visible">
      <Strip>
        <Choice
          label="Instrument"
          hideLabel
          value={player?.id ?? ''}
          options={instruments.map((i) => ({ value: i.id, label: i.name }))}
          onChange={(id) => {
            setInstrument(id)
            setSize('')
            setMeasured('')
          }}
        />
        {player && (
          <Choice
            label="Size"
            value={measured ? '' : (chosen?.name ?? '')}
            options={player.sizes.map((s) => ({ value: s.name, label: s.name }))}
            onChange={(name) => {
              setSize(name)
              setMeasured('')
            }}
          />
        )}
        <Field label="or measured, nut to bridge, mm" beside>
          <Input
            size="strip"
            width="w-20"
            inputMode="decimal"
            value={measured}
            onChange={(e) => setMeasured(e.target.value)}
          />
        </Field>
        <StripEnd>
          <Button kind="go" onClick={() => window.print()} disabled={!taping.data || Boolean(taping.error)}>
            Print, or save as PDF
          </Button>
        </StripEnd>
      </Strip>
      <div className="mx-auto max-w-[720px] px-6 py-5 print:p-0">
        <h1 className="text-3xl">Taping sheet</h1>
        <p className="text-soft">
          {player?.name}, {measured ? 'measured string' : chosen?.name}, string length {length} mm
        </p>
        {taping.error ? (
          <div className="mt-4">
            <Refused>{taping.error.message}</Refused>
          </div>
        ) : (
          taping.data && (
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
                <TextLink to="/style">house style</TextLink>.
              </p>
              <TapeStrip tapes={taping.data} />
            </>
          )
        )}
      </div>
    </main>
  )
}
