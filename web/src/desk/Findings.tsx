import type { components } from '../api/schema'
import type { CheckView } from './piece'

export type Remark = components['schemas']['PieceRemark']

/** What the rules say, bar by bar: calm while the piece is being written, all of it when it is said to be finished. */
export function Findings({
  check,
  finished,
  remarks,
  away,
}: {
  check: CheckView | null
  finished: boolean
  remarks: readonly Remark[]
  /** There is no network: the last check may be of an earlier state. */
  away: boolean
}) {
  const broken = check?.findings.filter((f) => finished || !f.unfinished) ?? []
  const open = check?.findings.filter((f) => f.unfinished) ?? []
  const bars = [...new Set(broken.map((f) => f.bar))]
  return (
    <div className="flex flex-col gap-4" aria-live="polite">
      {remarks.length > 0 && (
        <section aria-labelledby="remarks">
          <h2 id="remarks" className="text-lg">
            Your teacher says
          </h2>
          <ul>
            {remarks.map((r) => (
              <li key={r.id} className="border-l-4 border-maple py-0.5 pl-3">
                {r.bar !== null && <strong>Bar {r.bar}: </strong>}
                {r.words}
              </li>
            ))}
          </ul>
        </section>
      )}
      <section aria-labelledby="rules-say">
        <h2 id="rules-say" className="text-lg">
          The rules
        </h2>
        {away && (
          <p className="text-sm text-soft">No network: it is kept here. The rules look again when it is back.</p>
        )}
        {broken.length === 0 && (
          <p data-testid="rules-kept">
            {open.length === 0 ? 'All rules are kept.' : 'So far all rules are kept. Write on.'}
          </p>
        )}
        <ul data-testid="findings">
          {bars.map((bar) => (
            <li key={bar} className="py-1">
              <strong className="text-brick">Bar {bar}</strong>
              <ul>
                {[...new Set(broken.filter((f) => f.bar === bar).map((f) => f.words))].map((words) => (
                  <li key={words}>{words}</li>
                ))}
              </ul>
            </li>
          ))}
        </ul>
      </section>
      {(check?.advice.length ?? 0) > 0 && (
        <section aria-labelledby="heard">
          <h2 id="heard" className="text-lg">
            Worth hearing
          </h2>
          <ul data-testid="advice">
            {check?.advice.map((a) => (
              <li key={`${a.bar} ${a.kind}`} className="py-0.5">
                <span className="font-bold text-spruce">{a.good ? 'Good: ' : 'Try: '}</span>
                {!a.words.startsWith('Bar ') && <>bar {a.bar}. </>}
                {a.words}
              </li>
            ))}
          </ul>
        </section>
      )}
    </div>
  )
}
