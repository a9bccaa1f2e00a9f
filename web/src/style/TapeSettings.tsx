import type { HouseStyle, Instrument } from '../api/client'
import { useKept } from '../offline/kept'

type Tape = { semitones: number; name: string }

const PLACES = [1, 2, 3, 4, 5, 6, 7]

/** Which tapes each instrument has, and what they are called. */
export function TapeSettings({
  instruments,
  style,
  onChange,
}: {
  instruments: readonly Instrument[]
  style: HouseStyle
  onChange: (style: HouseStyle) => void
}) {
  const tapesOf = (i: Instrument): readonly Tape[] => (style.tapes?.[i.id] as readonly Tape[] | undefined) ?? i.tapes
  // A box that is ticked again has its name again.
  const [names, keepNames] = useKept<Record<string, string>>('tape-names')
  const nameOf = (i: Instrument, n: number) => names?.[`${i.id} ${n}`] ?? `tape ${n}`
  const set = (i: Instrument, tapes: Tape[]) =>
    onChange({ ...style, tapes: { ...style.tapes, [i.id]: [...tapes].sort((a, b) => a.semitones - b.semitones) } })
  return (
    <table className="w-full text-left text-sm">
      <caption className="pb-1 text-left font-body text-base font-bold">
        Tapes <span className="font-normal text-soft">(half steps above the open string, and what you call each)</span>
      </caption>
      <tbody>
        {instruments.map((i) => {
          const tapes = tapesOf(i)
          return (
            <tr key={i.id} className="border-t border-line align-top max-md:block">
              <th scope="row" className="w-28 py-2 font-bold max-md:block">
                {i.name}
              </th>
              <td className="py-2 max-md:block">
                <div className="flex flex-wrap gap-x-3 gap-y-1.5">
                  {PLACES.map((n) => {
                    const tape = tapes.find((t) => t.semitones === n)
                    return (
                      <span key={n} className="flex items-center gap-1">
                        <label className="flex min-h-6 min-w-6 items-center gap-1 max-md:min-h-11 max-md:min-w-11">
                          <input
                            type="checkbox"
                            className="accent-spruce"
                            aria-label={`${i.name}: tape at ${n} half steps`}
                            checked={Boolean(tape)}
                            onChange={(e) => {
                              if (tape) keepNames({ ...names, [`${i.id} ${n}`]: tape.name })
                              set(
                                i,
                                e.target.checked
                                  ? [...tapes, { semitones: n, name: nameOf(i, n) }]
                                  : tapes.filter((t) => t.semitones !== n),
                              )
                            }}
                          />
                          {n}
                        </label>
                        {tape && (
                          <input
                            value={tape.name}
                            maxLength={30}
                            aria-label={`${i.name}: name of the tape at ${n}`}
                            onChange={(e) =>
                              set(
                                i,
                                tapes.map((t) => (t.semitones === n ? { ...t, name: e.target.value } : t)),
                              )
                            }
                            className="min-h-6 w-20 rounded border border-line-dark bg-sheet px-1.5 py-0.5 max-md:min-h-11"
                          />
                        )}
                      </span>
                    )
                  })}
                </div>
              </td>
            </tr>
          )
        })}
      </tbody>
    </table>
  )
}
