import { useState } from 'react'
import type { ClassName } from '../api/client'
import { Asked } from '../ui/Asked'
import { Button } from '../ui/Button'
import { Dialog } from '../ui/Dialog'
import { Refused } from '../ui/Said'
import { Tick } from '../ui/Tick'
import { useToast } from '../ui/toasts'
import { useCurrentClass, useLearn, useLearning, useTakeBack } from '../register/queries'
import { dayOf } from '../calendar/days'

/** What the chosen class will know when a tune is learned: looked at first, then added. */
export function Learned({ tuneId, onClose }: { tuneId: number; onClose: () => void }) {
  const [current] = useCurrentClass()
  return current && <LearnedBy one={current} tuneId={tuneId} onClose={onClose} />
}

function LearnedBy({ one, tuneId, onClose }: { one: ClassName; tuneId: number; onClose: () => void }) {
  const learning = useLearning(one.id, tuneId)
  const learn = useLearn(one.id)
  const back = useTakeBack(one.id)
  const toast = useToast()
  const [not, setNot] = useState<readonly string[]>([])
  const { title, sections, learnedAt, count } = learning.data ?? {
    title: 'The tune',
    sections: [],
    learnedAt: null,
    count: 0,
  }
  const add = () =>
    learn.mutate(
      { tuneId, not: [...not] },
      {
        onSuccess: (change) => {
          onClose()
          toast({
            text:
              change.added.length === 0
                ? `“${title}” is marked as learned by ${one.name}.`
                : `${one.name} knows ${change.added.length === 1 ? 'one thing' : `${change.added.length} things`} more.`,
            action: { label: 'Undo', run: () => back.mutate({ change: change.id, back: true }) },
          })
        },
      },
    )
  return (
    <Dialog title={`Has ${one.name} learned it?`} onClose={onClose}>
      <Asked of={learning}>
        {learnedAt !== null && <p className="mb-3">It is marked as learned since {dayOf(learnedAt)}.</p>}
        {learning.data && count === 0 && (
          <p className="mb-4">Nothing in “{title}” is new: all of it is known already.</p>
        )}
        {count > 0 && <p className="mb-2">This will become known. Untick what does not sit yet.</p>}
        <div className="flex flex-col gap-3">
          {sections.map((s) => (
            <fieldset key={s.instrument ?? ''}>
              <legend className="font-bold">{s.name}</legend>
              {s.things.map((t) => {
                const own = [t.thing, ...t.with]
                return (
                  <Tick
                    key={t.thing}
                    checked={!not.includes(t.thing)}
                    onChange={(on) => setNot((now) => (on ? now.filter((n) => !own.includes(n)) : [...now, ...own]))}
                  >
                    <span>
                      {t.name}
                      <span className="text-sm text-soft">, {t.where}</span>
                    </span>
                  </Tick>
                )
              })}
            </fieldset>
          ))}
        </div>
        {learn.error && <Refused>{learn.error.message}</Refused>}
        <div className="mt-5 flex gap-3">
          <Button kind="go" disabled={!learning.data || learn.isPending} onClick={add}>
            Mark as learned
          </Button>
          <Button onClick={onClose}>Not yet</Button>
        </div>
      </Asked>
    </Dialog>
  )
}
