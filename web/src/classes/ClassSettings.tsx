import { useState } from 'react'
import type { ClassSummary } from '../api/client'
import { useStyles } from '../style'
import { Button } from '../ui/Button'
import { Dialog } from '../ui/Dialog'
import { Field, Input, Select } from '../ui/Field'
import { Refused } from '../ui/Said'
import { useSaveClass } from '../register/queries'
import { LIMITS } from '../api/limits'

/** The class itself: its name, its lesson, its house style. */
export function ClassSettings({ summary, onClose }: { summary: ClassSummary; onClose: () => void }) {
  const [draft, setDraft] = useState(summary)
  const styles = useStyles().data ?? []
  const save = useSaveClass()
  const set = (changed: Partial<ClassSummary>) => setDraft((now) => ({ ...now, ...changed }))
  return (
    <Dialog title="The class" onClose={onClose}>
      <form
        className="flex flex-col gap-4"
        onSubmit={(e) => {
          e.preventDefault()
          const { id, version, name, lessonMinutes, styleId } = draft
          save.mutate({ id, version, name, lessonMinutes, styleId }, { onSuccess: onClose })
        }}
      >
        <Field label="Name of the class">
          <Input
            value={draft.name}
            maxLength={LIMITS.longestClassName}
            onChange={(e) => set({ name: e.target.value })}
          />
        </Field>
        <Field label="Lesson, minutes">
          <Input
            type="number"
            min={LIMITS.shortestLesson}
            max={LIMITS.longestLesson}
            width="w-24"
            value={draft.lessonMinutes}
            onChange={(e) => set({ lessonMinutes: Number(e.target.value) })}
          />
        </Field>
        <Field label="House style">
          <Select
            size="usual"
            value={draft.styleId ?? 0}
            options={[
              { value: 0, label: 'the one in force' },
              ...styles.filter((s) => s.id !== 0).map((s) => ({ value: s.id, label: s.name })),
            ]}
            onChoose={(id) => set({ styleId: id === 0 ? null : id })}
          />
        </Field>
        {save.error && <Refused>{save.error.message}</Refused>}
        <div className="flex gap-3">
          <Button kind="go" type="submit" disabled={!draft.name.trim() || save.isPending}>
            Save
          </Button>
          <Button onClick={onClose}>Cancel</Button>
        </div>
      </form>
    </Dialog>
  )
}
