import { useState } from 'react'
import { useAddStyle, useSaveStyle, useStyles } from '../style/queries'
import { Button } from '../ui/Button'
import { Dialog } from '../ui/Dialog'
import { Field, Input } from '../ui/Field'
import { Refused } from '../ui/Said'

/** A teacher's own name and mark for a hand shape; kept in the current house style. */
export function NameShape({ descriptive, onClose }: { descriptive: string; onClose: () => void }) {
  const current = useStyles().data?.find((s) => s.current)
  const add = useAddStyle()
  const save = useSaveStyle()
  const known = current?.style.shapeNames?.[descriptive]
  const [name, setName] = useState<string | null>(null)
  const [mark, setMark] = useState<string | null>(null)
  if (!current) return null

  const keep = (nickname: { name: string; mark: string } | null) => {
    const others = Object.fromEntries(
      Object.entries(current.style.shapeNames ?? {}).filter(([shape]) => shape !== descriptive),
    )
    const style = { ...current.style, shapeNames: nickname ? { ...others, [descriptive]: nickname } : others }
    if (current.id === 0) add.mutate({ name: 'Our style', style }, { onSuccess: onClose })
    else save.mutate({ ...current, style }, { onSuccess: onClose })
  }
  const shownName = name ?? known?.name ?? ''
  const shownMark = mark ?? known?.mark ?? ''
  return (
    <Dialog title={`Your name for the shape “${descriptive}”`} onClose={onClose}>
      <div className="grid grid-cols-[1fr_7rem] gap-4">
        <Field label="Name">
          <Input maxLength={40} value={shownName} onChange={(e) => setName(e.target.value)} />
        </Field>
        <Field label="Mark">
          <Input maxLength={2} value={shownMark} onChange={(e) => setMark(e.target.value)} />
        </Field>
      </div>
      {(add.error ?? save.error) && (
        <div className="mt-3">
          <Refused>{(add.error ?? save.error)?.message}</Refused>
        </div>
      )}
      <div className="mt-5 flex gap-3">
        <Button
          kind="go"
          disabled={shownName.trim() === ''}
          onClick={() => keep({ name: shownName.trim(), mark: shownMark.trim() })}
        >
          Keep the name
        </Button>
        {known && <Button onClick={() => keep(null)}>Back to “{descriptive}”</Button>}
        <Button onClick={onClose}>Cancel</Button>
      </div>
    </Dialog>
  )
}
