import type { NamedStyle } from '../api/client'
import { useAddStyle, useSaveStyle, useStyleDrafts } from '../style'
import { Button } from '../ui/Button'
import { Dialog } from '../ui/Dialog'
import { Field, Input } from '../ui/Field'
import { useKept } from '../offline/kept'
import { Refused } from '../ui/Said'

type Nickname = { name: string; mark: string }
const NONE: Nickname = { name: '', mark: '' }

/**
 * A teacher's own name and mark for a hand shape; kept in the current house style.
 * @param current The house style in use.
 */
export function NameShape({
  current,
  descriptive,
  onClose,
}: {
  current: NamedStyle
  descriptive: string
  onClose: () => void
}) {
  const add = useAddStyle()
  const save = useSaveStyle()
  const known = current.style.shapeNames?.[descriptive]
  const [typed, setTyped] = useKept<Nickname>(`shape.${descriptive}`)
  const drafts = useStyleDrafts()
  const type = (next: Nickname) => {
    add.reset()
    save.reset()
    setTyped(next)
  }

  const keep = (nickname: Nickname | null) => {
    const others = Object.fromEntries(
      Object.entries(current.style.shapeNames ?? {}).filter(([shape]) => shape !== descriptive),
    )
    const style = { ...current.style, shapeNames: nickname ? { ...others, [descriptive]: nickname } : others }
    const done = {
      onSuccess: (kept: NamedStyle) => {
        drafts.move(current, kept)
        setTyped(null)
        onClose()
      },
    }
    if (current.id === 0) add.mutate({ name: 'Our style', style }, done)
    else save.mutate({ ...current, style }, done)
  }
  const { name, mark } = typed ?? known ?? NONE
  return (
    <Dialog title={`Your name for the shape “${descriptive}”`} onClose={onClose}>
      <div className="grid grid-cols-[1fr_7rem] gap-4">
        <Field label="Name">
          <Input maxLength={40} value={name} onChange={(e) => type({ name: e.target.value, mark })} />
        </Field>
        <Field label="Mark">
          <Input maxLength={2} value={mark} onChange={(e) => type({ name, mark: e.target.value })} />
        </Field>
      </div>
      {(add.error ?? save.error) && (
        <div className="mt-3">
          <Refused>{(add.error ?? save.error)?.message}</Refused>
        </div>
      )}
      <div className="mt-5 flex gap-3">
        <Button kind="go" disabled={name.trim() === ''} onClick={() => keep({ name: name.trim(), mark: mark.trim() })}>
          Keep the name
        </Button>
        {known && <Button onClick={() => keep(null)}>Back to “{descriptive}”</Button>}
        <Button onClick={onClose}>Close</Button>
      </div>
    </Dialog>
  )
}
