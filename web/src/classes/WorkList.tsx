import { useState } from 'react'
import type { ClassDetail } from '../api/client'
import { useInstruments } from '../api/instruments'
import { Asked } from '../ui/Asked'
import { Button } from '../ui/Button'
import { Dialog } from '../ui/Dialog'
import { TextLink } from '../ui/TextLink'
import { Tick } from '../ui/Tick'
import { useToast } from '../ui/toasts'
import { placeOfWork } from './placeOfWork'
import { useDeleteWork, useForClass, useSetDone, useSetWork, useWork, type Work } from '../register/queries'
import { SetWork } from './SetWork'
import { today, weekdayOf } from '../calendar/days'

/** What is set to the class, and who has done it. */
export function WorkList({ one }: { one: ClassDetail }) {
  const id = one.summary.id
  const work = useWork(id)
  const remove = useDeleteWork(id)
  const set = useSetWork(id)
  const toast = useToast()
  const names = new Map(useInstruments().data?.map((i) => [i.id, i.name]))
  const [setting, setSetting] = useState(false)
  const forClass = useForClass(id)
  const [looking, setLooking] = useState<number | null>(null)
  const tell = (problem: Error) => toast({ text: problem.message })
  const whom = (w: Work) =>
    w.learnerId !== null
      ? (one.learners.find((l) => l.id === w.learnerId)?.nickname ?? 'one learner')
      : w.instrument !== null
        ? (names.get(w.instrument) ?? w.instrument)
        : 'everyone'
  const looked = work.data?.find((w) => w.id === looking)
  const day = today()
  const isPast = (w: Work) => w.due < day
  const all = work.data ?? []
  const past = all.filter((w) => isPast(w) && w.done.length >= w.for.length)
  // What is to come first; then what is past its day and not done by all.
  const open = all.filter((w) => !past.includes(w)).sort((a, b) => Number(isPast(a)) - Number(isPast(b)))
  const line = (w: Work) => (
    <li key={w.id} className="flex flex-wrap items-center gap-x-4 border-b border-line py-1">
      <span className="min-w-0 flex-1">
        <TextLink to={placeOfWork(w, id)} inSentence onClick={forClass}>
          {w.title}
        </TextLink>
        <span className="text-sm text-soft">
          {w.tempo !== null && ` at ${w.tempo}`} · {whom(w)} · by {weekdayOf(w.due)}
          {isPast(w) && ', past its day'}
        </span>
      </span>
      <Button size="small" onClick={() => setLooking(w.id)}>
        {w.done.length} of {w.for.length} done
        <span className="sr-only">: {w.title}</span>
      </Button>
      <Button
        size="small"
        onClick={() =>
          remove.mutate(w.id, {
            onSuccess: () =>
              toast({
                text: `“${w.title}” is not set any more.`,
                action: { label: 'Undo', run: () => set.mutate(w, { onError: tell }) },
              }),
            onError: tell,
          })
        }
      >
        Take away<span className="sr-only"> {w.title}</span>
      </Button>
    </li>
  )
  return (
    <section aria-labelledby="work">
      <div className="mb-1 flex flex-wrap items-baseline gap-x-5">
        <h2 id="work" className="text-xl">
          Set to practise
        </h2>
        <Button size="small" onClick={() => setSetting(true)}>
          Set something
        </Button>
        {(work.data?.length ?? 0) > 0 && <TextLink to={`/classes/${id}/week`}>Print the week</TextLink>}
      </div>
      <Asked of={work}>
        {work.data?.length === 0 && <p className="py-1">Nothing is set.</p>}
        <ul aria-label="Set work">{open.map(line)}</ul>
        {past.length > 0 && (
          <details>
            <summary className="min-h-6 cursor-pointer content-center py-1 text-sm font-bold text-soft max-md:min-h-11">
              {past.length} {past.length === 1 ? 'thing that is' : 'things that are'} past and done by all
            </summary>
            <ul aria-label="Done by all">{past.map(line)}</ul>
          </details>
        )}
      </Asked>
      {setting && <SetWork one={one} onClose={() => setSetting(false)} />}
      {looked && <WhoHasDone one={one} work={looked} onClose={() => setLooking(null)} />}
    </section>
  )
}

/** Who has done it; a teacher ticks for those without a phone. */
function WhoHasDone({ one, work, onClose }: { one: ClassDetail; work: Work; onClose: () => void }) {
  const set = useSetDone(one.summary.id)
  const toast = useToast()
  return (
    <Dialog title={`Who has done “${work.title}”?`} onClose={onClose}>
      <div className="grid grid-cols-2 gap-x-6 md:grid-cols-3">
        {one.learners
          .filter((l) => work.for.includes(l.id))
          .map((l) => (
            <Tick
              key={l.id}
              checked={work.done.includes(l.id)}
              onChange={(done) =>
                set.mutate(
                  { work: work.id, learner: l.id, done },
                  { onError: (problem) => toast({ text: problem.message }) },
                )
              }
            >
              {l.nickname}
            </Tick>
          ))}
      </div>
      <div className="mt-5">
        <Button onClick={onClose}>Close</Button>
      </div>
    </Dialog>
  )
}
