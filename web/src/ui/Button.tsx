import type { ButtonHTMLAttributes } from 'react'

const KINDS = {
  go: 'border border-spruce bg-spruce text-paper enabled:hover:bg-spruce-dark',
  plain: 'border border-line-dark bg-sheet text-ink enabled:hover:bg-maple-pale',
}

/** What cannot be pressed now looks so, and alike everywhere: an empty place with a broken edge. */
const OFF =
  'disabled:cursor-default disabled:border-dashed disabled:border-line-dark disabled:bg-transparent disabled:text-soft'

const SIZES = {
  usual: 'gap-2 px-4 py-2',
  /** In a strip of other things. */
  strip: 'gap-2 px-4 py-1',
  /** Beside small print. */
  small: 'gap-1.5 px-2.5 py-1 text-sm',
  /** Within a sentence or a list. */
  inline: 'px-2 text-sm',
}

export function Button({
  kind = 'plain',
  size = 'usual',
  ...rest
}: Omit<ButtonHTMLAttributes<HTMLButtonElement>, 'className'> & {
  kind?: keyof typeof KINDS
  size?: keyof typeof SIZES
}) {
  return (
    <button
      type="button"
      className={`inline-flex min-h-6 shrink-0 items-center justify-center rounded-md font-bold ${OFF} max-md:min-h-11 max-md:min-w-11 ${SIZES[size]} ${KINDS[kind]}`}
      {...rest}
    />
  )
}
