import type { ReactNode } from 'react'

/** A box to tick, with its words. */
export function Tick({
  checked,
  onChange,
  children,
}: {
  checked: boolean
  onChange: (on: boolean) => void
  children: ReactNode
}) {
  return (
    <label className="flex min-h-6 items-center gap-1.5 max-md:min-h-11">
      <input type="checkbox" className="accent-spruce" checked={checked} onChange={(e) => onChange(e.target.checked)} />
      {children}
    </label>
  )
}
