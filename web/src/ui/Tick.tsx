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
    <label className="flex items-center gap-1.5">
      <input type="checkbox" className="accent-spruce" checked={checked} onChange={(e) => onChange(e.target.checked)} />
      {children}
    </label>
  )
}
