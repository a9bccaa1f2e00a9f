import type { ReactNode } from 'react'

/** What can be chosen and done on a page, across its top; not printed. */
export function Strip({ children }: { children: ReactNode }) {
  return (
    <div className="no-print flex flex-wrap items-center gap-x-5 gap-y-2 border-b border-line bg-paper px-6 py-2">
      {children}
    </div>
  )
}

/** At the end of a strip. */
export function StripEnd({ children }: { children: ReactNode }) {
  return <div className="ml-auto flex items-center gap-1">{children}</div>
}
