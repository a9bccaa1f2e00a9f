import type { ButtonHTMLAttributes } from 'react'

const KINDS = {
  go: 'bg-spruce text-paper hover:bg-spruce-dark disabled:bg-line disabled:text-soft',
  plain: 'border border-line-dark bg-sheet text-ink hover:bg-maple-pale disabled:text-soft',
  quiet: 'text-spruce underline-offset-4 hover:underline',
}

export function Button({
  kind = 'plain',
  className = '',
  ...rest
}: ButtonHTMLAttributes<HTMLButtonElement> & { kind?: keyof typeof KINDS }) {
  return (
    <button
      type="button"
      className={`inline-flex items-center justify-center gap-2 rounded-md px-4 py-2 font-bold disabled:cursor-default ${KINDS[kind]} ${className}`}
      {...rest}
    />
  )
}
