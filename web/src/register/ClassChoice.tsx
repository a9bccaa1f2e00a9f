import { useEffect } from 'react'
import { Field, Select } from '../ui/Field'
import { keep, keptNow } from '../offline/kept'
import { CLASS_KEY } from './forClass'
import { useClassNames, useCurrentClass } from './queries'

/** For which class everything is shown; nothing where there are no classes. */
export function ClassChoice() {
  const classes = useClassNames().data
  const [current, choose] = useCurrentClass()
  // A class that was deleted elsewhere is not asked for any more.
  useEffect(() => {
    const chosen = keptNow(CLASS_KEY)
    if (classes && chosen !== null && !classes.some((c) => c.id === chosen)) keep(CLASS_KEY, null)
  }, [classes])
  if (!classes || classes.length === 0) return null
  return (
    <Field label={<span className="md:max-lg:sr-only">For</span>} beside>
      <Select
        size="small"
        width="max-w-52 md:max-lg:max-w-28"
        value={current?.id ?? 0}
        options={[{ value: 0, label: 'no class' }, ...classes.map((c) => ({ value: c.id, label: c.name }))]}
        onChoose={(id) => choose(id === 0 ? null : id)}
      />
    </Field>
  )
}
