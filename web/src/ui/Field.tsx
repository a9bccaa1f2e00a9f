import type { InputHTMLAttributes, ReactNode, Ref, SelectHTMLAttributes } from 'react'
import { focusScreen, lastByPointer } from './focus'

const LOOK =
  'min-h-6 min-w-6 max-w-full max-md:min-h-11 max-md:min-w-11 rounded-md border border-line-dark bg-sheet font-normal text-ink'

const SIZES = {
  usual: 'px-3 py-2',
  /** In a strip of other things. */
  strip: 'px-2 py-1 text-base',
  /** In the bar of a small window. */
  bar: 'max-w-full px-2 text-base',
  /** Beside small print. */
  small: 'px-1.5 py-0.5 text-sm',
  /** Where everything is small print. */
  fine: 'px-1 py-0.5',
}

type Size = keyof typeof SIZES

/** A label with its field: above it in a form, beside it in a strip. */
export function Field({
  label,
  beside = false,
  children,
}: {
  label: ReactNode
  beside?: boolean
  children: ReactNode
}) {
  return (
    <label
      className={beside ? 'flex max-w-full items-center gap-2 text-sm text-soft' : 'flex flex-col gap-1 font-bold'}
    >
      {label}
      {children}
    </label>
  )
}

export function Input({
  size = 'usual',
  width = '',
  ...rest
}: Omit<InputHTMLAttributes<HTMLInputElement>, 'size' | 'className'> & {
  size?: Size
  width?: string
  ref?: Ref<HTMLInputElement>
}) {
  return <input className={`${LOOK} ${SIZES[size]} ${width}`} {...rest} />
}

export function Select<T extends string | number>({
  size = 'strip',
  width = '',
  options,
  onChoose,
  ...rest
}: Omit<SelectHTMLAttributes<HTMLSelectElement>, 'size' | 'className' | 'onChange'> & {
  size?: Size
  width?: string
  options: readonly { value: T; label: string }[]
  onChoose: (value: T) => void
}) {
  return (
    <select
      className={`${LOOK} ${SIZES[size]} ${width}`}
      onChange={(e) => {
        const chosen = options.find((o) => String(o.value) === e.target.value)
        if (chosen) onChoose(chosen.value)
        if (lastByPointer()) focusScreen() // its keys work again at once
      }}
      {...rest}
    >
      {options.map((o) => (
        <option key={o.value} value={o.value}>
          {o.label}
        </option>
      ))}
    </select>
  )
}
