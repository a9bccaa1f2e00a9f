import type { LearnerLog } from './queries'

const BOXES = [1, 2, 3, 4, 5]

/** Where each card lies; a card climbs to the next box with each right answer. */
export function CardBoxes({ log }: { log: LearnerLog }) {
  const all = log.cards.flatMap((c) => c.boxes)
  const asked = all.filter((b) => b !== null)
  return (
    <section aria-labelledby="cards">
      <h2 id="cards" className="mb-1 text-xl">
        Cards in their boxes
      </h2>
      {asked.length === 0 ? (
        <p>No card was answered yet.</p>
      ) : (
        <>
          <p className="text-said">
            {log.right} of {log.answers} right in four weeks. {asked.length} of {all.length} cards were asked;{' '}
            {asked.filter((b) => b === 5).length} lie in the last box, {asked.filter((b) => b === 1).length} in the
            first.
          </p>
          <table className="mt-1 w-full border-collapse text-sm">
            <thead>
              <tr className="text-left text-soft">
                <th scope="col" className="py-0.5 font-bold">
                  Note
                </th>
                {log.ways.map((way) => (
                  <th key={way} scope="col" className="py-0.5 font-normal">
                    {way}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {log.cards.map((c) => (
                <tr key={c.note} className="border-t border-line">
                  <th scope="row" className="py-0.5 text-left font-normal whitespace-nowrap">
                    {c.note}
                  </th>
                  {c.boxes.map((box, i) => (
                    <td key={log.ways[i]} className="py-0.5">
                      <Box box={box} />
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
        </>
      )}
    </section>
  )
}

/** Five places, filled up to the box that a card lies in. */
function Box({ box }: { box: number | null }) {
  if (box === null) return <span className="text-soft">–</span>
  return (
    <span className="flex items-center gap-1">
      <span className="w-3 font-bold">{box}</span>
      <span aria-hidden className="flex gap-px">
        {BOXES.map((b) => (
          <span key={b} className={`h-2.5 w-1.5 border border-spruce ${b <= box ? 'bg-spruce' : ''}`} />
        ))}
      </span>
    </span>
  )
}
