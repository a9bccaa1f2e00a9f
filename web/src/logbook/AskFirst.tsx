import { Asked } from '../ui/Asked'
import { TextLink } from '../ui/TextLink'
import { useLogbook, type ClassLog } from './queries'

/** The two of a class. */
export function AskFirstOfClass({ id }: { id: number }) {
  const log = useLogbook(id)
  return <Asked of={log}>{log.data && <AskFirst id={id} ask={log.data.ask} />}</Asked>
}

/** The two to ask how it is going, and why them. */
export function AskFirst({ id, ask }: { id: number; ask: ClassLog['ask'] }) {
  return (
    <section aria-labelledby="ask">
      <h2 id="ask" className="mb-1 text-xl">
        Ask how it is going
      </h2>
      {ask.length === 0 && <p>Nobody needs a word from you before the others today.</p>}
      <ul>
        {ask.map((a) => (
          <li key={a.id} className="border-t border-line py-1.5 first:border-t-0">
            <TextLink to={`/classes/${id}/learners/${a.id}`}>{a.nickname}</TextLink>
            <span className="block text-said">{a.why.join(' ')}</span>
          </li>
        ))}
      </ul>
    </section>
  )
}
