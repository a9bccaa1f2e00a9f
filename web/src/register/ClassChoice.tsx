import { useEffect, useEffectEvent } from 'react'
import { useLocation } from 'react-router'
import { Field, Select } from '../ui/Field'
import { TextLink } from '../ui/TextLink'
import { keep, keptNow } from '../offline/kept'
import { CLASS_KEY } from './forClass'
import { useClassNames, useCurrentClass } from './queries'

/** Pages of one class: whoever opens them works with it. */
const OF_CLASS = /^\/(?:classes|lesson)\/(\d+)/

/** For which class everything is shown; nothing where there are no classes, and no choice where there is one. */
export function ClassChoice() {
  const classes = useClassNames().data
  const [current, choose] = useCurrentClass()
  const opened = Number(OF_CLASS.exec(useLocation().pathname)?.[1] ?? 0)
  const settle = useEffectEvent(() => {
    const chosen = keptNow(CLASS_KEY)
    // Whoever wants none is left alone.
    if (!classes || chosen === 0) return
    const is = (id: unknown) => classes.some((c) => c.id === id)
    const only = classes.length === 1 ? classes[0]?.id : undefined
    if (is(opened) && opened !== chosen) choose(opened)
    else if (chosen === null && only !== undefined) choose(only)
    // A class that was deleted elsewhere is not asked for any more.
    else if (chosen !== null && !is(chosen)) keep(CLASS_KEY, null)
  })
  useEffect(() => settle(), [classes, opened])
  if (!classes || classes.length === 0) return null
  if (classes.length === 1 && current) return <TextLink to={`/classes/${current.id}`}>{current.name}</TextLink>
  return (
    <Field label={<span className="md:max-lg:sr-only">For</span>} beside>
      <Select
        size="small"
        width="max-w-52 md:max-lg:max-w-44"
        value={current?.id ?? 0}
        options={[{ value: 0, label: 'no class' }, ...classes.map((c) => ({ value: c.id, label: c.name }))]}
        onChoose={(id) => choose(id === 0 ? null : id)}
      />
    </Field>
  )
}
