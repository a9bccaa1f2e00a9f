import type { ReactNode } from 'react'
import { Link } from 'react-router'

const LOOK = 'font-bold text-spruce underline underline-offset-4'

/** A way to another page, in a sentence or alone. */
export function TextLink({ to, children }: { to: string; children: ReactNode }) {
  return (
    <Link to={to} className={LOOK}>
      {children}
    </Link>
  )
}

/** Looks like a link and does something here. */
export function TextButton({ onClick, children }: { onClick: () => void; children: ReactNode }) {
  return (
    <button type="button" className={LOOK} onClick={onClick}>
      {children}
    </button>
  )
}
