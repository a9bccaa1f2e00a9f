import { useState } from 'react'
import type { Learner } from '../api/client'
import { useInstruments } from '../api/instruments'
import { FileLink } from '../ui/FileLink'
import { Button } from '../ui/Button'
import { Dialog } from '../ui/Dialog'
import { Field, Input, Select } from '../ui/Field'
import { Refused } from '../ui/Said'
import { Tick } from '../ui/Tick'
import { useDeleteLearner, useSaveLearner, useTakeLearnerIn } from '../register/queries'
import { useOfferBack } from '../register/useOfferBack'
import { LIMITS } from '../api/limits'

/** Tapes are offered up to here, in half steps above the nut. */
const MOST_TAPES = 9

/** One learner: nickname, instrument, size and tapes, which is all that is kept of a child. */
export function EditLearner({
  classId,
  learner,
  onClose,
  onDeleted,
}: {
  classId: number
  learner: Learner
  onClose: () => void
  onDeleted: () => void
}) {
  const instruments = useInstruments().data ?? []
  const [draft, setDraft] = useState(learner)
  const [leaving, setLeaving] = useState(false)
  const save = useSaveLearner(classId)
  const remove = useDeleteLearner(classId)
  const bringBack = useTakeLearnerIn(classId)
  const offerBack = useOfferBack()
  const record = `/api/classes/${classId}/learners/${learner.id}/record`
  const set = (changed: Partial<Learner>) => setDraft((now) => ({ ...now, ...changed }))
  const instrument = instruments.find((i) => i.id === draft.instrument)
  const house = instrument?.tapes.map((t) => t.semitones) ?? []
  const discard = () =>
    remove.mutate(learner.id, {
      onSuccess: (was) => {
        onDeleted()
        offerBack(learner.nickname, () => bringBack.mutateAsync(was))
      },
    })
  if (leaving)
    return (
      <Dialog title={`Delete ${learner.nickname}?`} onClose={onClose}>
        <p className="mb-3">
          Everything that is kept of {learner.nickname} goes at once: minutes, tempos, answers, and the link. You can
          take it back until you leave or reload this page. Backups of the last days hold it until newer ones take their
          place.
        </p>
        <p className="mb-5">
          <FileLink href={`${record}.json`}>Save the record first</FileLink> or{' '}
          <FileLink href={`${record}.csv`}>as a table (CSV)</FileLink>
        </p>
        {remove.error && <Refused>{remove.error.message}</Refused>}
        <div className="flex gap-3">
          <Button kind="go" onClick={discard}>
            Delete
          </Button>
          <Button onClick={onClose}>Keep</Button>
        </div>
      </Dialog>
    )
  return (
    <Dialog title={learner.nickname} onClose={onClose}>
      <form
        className="flex flex-col gap-4"
        onSubmit={(e) => {
          e.preventDefault()
          save.mutate(draft, { onSuccess: onClose })
        }}
      >
        <Field label="First name or nickname">
          <Input
            value={draft.nickname}
            maxLength={LIMITS.longestNickname}
            onChange={(e) => set({ nickname: e.target.value })}
          />
        </Field>
        <div className="flex flex-wrap gap-4">
          <Field label="Instrument">
            <Select
              size="usual"
              value={draft.instrument}
              options={instruments.map((i) => ({ value: i.id, label: i.name }))}
              onChoose={(id) =>
                set({ instrument: id, size: instruments.find((i) => i.id === id)?.sizes[0]?.name ?? '', tapes: null })
              }
            />
          </Field>
          <Field label="Size">
            <Select
              size="usual"
              value={draft.size}
              options={(instrument?.sizes ?? []).map((s) => ({ value: s.name, label: s.name }))}
              onChoose={(size) => set({ size })}
            />
          </Field>
        </div>
        <fieldset>
          <legend className="font-bold">Tapes</legend>
          <Tick checked={draft.tapes === null} onChange={(on) => set({ tapes: on ? null : house })}>
            as in the house style
          </Tick>
          {draft.tapes !== null && (
            <div className="flex flex-wrap gap-x-4">
              {Array.from({ length: MOST_TAPES }, (_, n) => n + 1).map((n) => (
                <Tick
                  key={n}
                  checked={draft.tapes?.includes(n) ?? false}
                  onChange={(on) =>
                    setDraft((now) => ({
                      ...now,
                      tapes: on ? [...(now.tapes ?? []), n] : (now.tapes ?? []).filter((t) => t !== n),
                    }))
                  }
                >
                  {instrument?.tapes.find((t) => t.semitones === n)?.name ?? `${n} half steps`}
                </Tick>
              ))}
            </div>
          )}
        </fieldset>
        {save.error && <Refused>{save.error.message}</Refused>}
        <div className="flex flex-wrap gap-3">
          <Button kind="go" type="submit" disabled={!draft.nickname.trim() || save.isPending}>
            Save
          </Button>
          <Button onClick={onClose}>Cancel</Button>
          <span className="ml-auto">
            <Button onClick={() => setLeaving(true)}>Delete {learner.nickname} …</Button>
          </span>
        </div>
      </form>
    </Dialog>
  )
}
