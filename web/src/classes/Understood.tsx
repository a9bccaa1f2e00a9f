import type { ListedLearner } from '../api/client'
import { useInstruments } from '../api/instruments'

/** The list as it was read, so that one sees at once what was understood. */
export function Understood({ learners }: { learners: readonly ListedLearner[] }) {
  const names = new Map(useInstruments().data?.map((i) => [i.id, i.name]))
  const advice = learners.find((l) => l.advice !== null)?.advice
  return (
    <div>
      <table className="w-full text-left text-said">
        <caption className="sr-only">Learners as they were understood</caption>
        <thead className="text-sm text-soft">
          <tr>
            <th className="py-0.5 pr-3 font-normal">Nickname</th>
            <th className="pr-3 font-normal">Instrument</th>
            <th className="font-normal">Size</th>
          </tr>
        </thead>
        <tbody>
          {learners.map((l) =>
            l.wrong === null ? (
              <tr key={l.line} className="border-t border-line">
                <td className="py-0.5 pr-3 font-bold">{l.nickname}</td>
                <td className="pr-3">{names.get(l.instrument) ?? l.instrument}</td>
                <td>{l.size}</td>
              </tr>
            ) : (
              <tr key={l.line} className="border-t border-line bg-brick-pale">
                <td colSpan={3} className="px-2 py-1">
                  {l.wrong}
                </td>
              </tr>
            ),
          )}
        </tbody>
      </table>
      {advice && <p className="mt-1 text-sm text-soft">{advice}</p>}
    </div>
  )
}
