import { useState } from 'react'
import { ALL_TUNES, useTunes } from '../tunes'
import { Asked } from '../ui/Asked'
import { Button } from '../ui/Button'
import { Dialog } from '../ui/Dialog'
import { Field, Input } from '../ui/Field'
import { useKept } from '../offline/kept'
import { added, freeId, ownStep } from './steps'
import type { LessonEdit } from './useLessonEdit'
import { LIMITS } from '../api/limits'

/** A tune more, a break, or a step of the teacher’s own. */
export function AddToLesson({ edit }: { edit: LessonEdit }) {
  const [choosing, setChoosing] = useState(false)
  const [kept, setWords] = useKept<string>('lesson.own')
  const words = kept ?? ''
  const [minutes, setMinutes] = useState('5')
  const own = words.trim()
  return (
    <form
      className="mt-4 flex flex-wrap items-end gap-3"
      onSubmit={(e) => {
        e.preventDefault()
        if (own === '') return
        edit.edit((d) => added(ownStep(freeId(d), 'own', Number(minutes), own))(d))
        setWords(null)
      }}
    >
      <Button onClick={() => setChoosing(true)}>Add a tune</Button>
      <Button onClick={() => edit.edit((d) => added(ownStep(freeId(d), 'break', 1, null))(d))}>Add a break</Button>
      <Field label={<span className="text-sm font-normal text-soft">A step of your own</span>}>
        <Input
          size="strip"
          width="w-56"
          maxLength={LIMITS.longestStepWords}
          value={words}
          aria-label="A step of your own"
          placeholder="Birthday song for Finn"
          onChange={(e) => setWords(e.target.value)}
        />
      </Field>
      <Field label={<span className="text-sm font-normal text-soft">Minutes</span>}>
        <Input
          size="strip"
          width="w-20"
          type="number"
          required
          min={0.5}
          max={LIMITS.longestLesson}
          step={0.5}
          value={minutes}
          onChange={(e) => setMinutes(e.target.value)}
        />
      </Field>
      <Button type="submit" disabled={own === ''}>
        Add it
      </Button>
      {choosing && <ChooseTune onClose={() => setChoosing(false)} onTake={edit.addTune} />}
    </form>
  )
}

function ChooseTune({ onClose, onTake }: { onClose: () => void; onTake: (tune: number) => void }) {
  const [kept, setSearch] = useKept<string>('lesson.search')
  const search = kept ?? ''
  const tunes = useTunes({ ...ALL_TUNES, search })
  return (
    <Dialog title="Which tune?" onClose={onClose}>
      <Field label="Look for">
        <Input value={search} onChange={(e) => setSearch(e.target.value)} />
      </Field>
      <Asked of={tunes}>
        {tunes.data?.tunes.length === 0 && <p className="mt-3">No tune is called like this.</p>}
        <ul className="mt-3 max-h-80 overflow-y-auto">
          {tunes.data?.tunes.map((t) => (
            <li key={t.id}>
              <button
                type="button"
                className="flex min-h-9 w-full items-baseline justify-between gap-4 px-2 text-left hover:bg-maple-pale"
                onClick={() => {
                  onTake(t.id)
                  onClose()
                }}
              >
                <b>{t.title}</b>
                <span className="text-sm text-soft">{t.fit?.words ?? t.keyName}</span>
              </button>
            </li>
          ))}
        </ul>
      </Asked>
    </Dialog>
  )
}
