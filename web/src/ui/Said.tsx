import type { ReactNode } from 'react'

/** What was refused, or went wrong; read out at once. */
export function Refused({ children }: { children: ReactNode }) {
  return (
    <p role="alert" className="bg-brick-pale px-3 py-2">
      {children}
    </p>
  )
}

/** Set apart by a line at its side: good to know, or to take care of. */
export function SideNote({ children, loud = true }: { children: ReactNode; loud?: boolean }) {
  return <p className={`border-l-4 pl-3 ${loud ? 'border-maple' : 'border-line-dark'}`}>{children}</p>
}
