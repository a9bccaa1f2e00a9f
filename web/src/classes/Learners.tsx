import { useState } from 'react'
import { Link } from 'react-router'
import type { Learner } from '../api/client'
import { useInstruments } from '../api/instruments'
import { Button } from '../ui/Button'
import { TextLink } from '../ui/TextLink'
import { AddLearners } from './AddLearners'

/** Who is in the class, section by section. */
export function Learners({ id, learners }: { id: number; learners: readonly Learner[] }) {
  const instruments = useInstruments().data ?? []
  const [adding, setAdding] = useState(false)
  const sections = instruments
    .map((i) => ({ name: i.name, id: i.id, learners: learners.filter((l) => l.instrument === i.id) }))
    .filter((s) => s.learners.length > 0)
  return (
    <section aria-labelledby="learners">
      <div className="mb-1 flex flex-wrap items-baseline gap-x-5">
        <h2 id="learners" className="text-xl">
          Learners
        </h2>
        <Button size="small" onClick={() => setAdding(true)}>
          Add learners
        </Button>
        {learners.length > 0 && <TextLink to={`/classes/${id}/links`}>Cards with their links</TextLink>}
      </div>
      {learners.length === 0 && <p className="py-2">There is nobody in this class yet.</p>}
      <div className="grid gap-x-10 sm:grid-cols-2 lg:grid-cols-4">
        {sections.map((s) => (
          <div key={s.id}>
            <h3 className="border-b-2 border-line-dark py-1 font-body text-base font-bold">{s.name}</h3>
            <ul>
              {s.learners.map((l) => (
                <li key={l.id} className="border-b border-line">
                  <Link
                    to={`/classes/${id}/learners/${l.id}`}
                    className="flex min-h-9 w-full items-center justify-between gap-3 px-1 py-1 hover:bg-maple-pale max-md:min-h-11"
                  >
                    <span className="min-w-0 truncate">{l.nickname}</span>
                    <span className="shrink-0 text-sm text-soft">
                      {l.size}
                      {l.tapes && ` · ${l.tapes.length === 0 ? 'no tapes' : `${l.tapes.length} tapes`}`}
                    </span>
                  </Link>
                </li>
              ))}
            </ul>
          </div>
        ))}
      </div>
      {adding && <AddLearners classId={id} onClose={() => setAdding(false)} />}
    </section>
  )
}
