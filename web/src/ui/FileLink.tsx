import type { ReactNode } from 'react'

/** Saves a file. */
export function FileLink({ href, strong = false, children }: { href: string; strong?: boolean; children: ReactNode }) {
  return (
    <a
      href={href}
      download
      className={
        strong
          ? 'inline-flex min-h-6 items-center rounded-md bg-spruce px-4 py-2 font-bold text-paper hover:bg-spruce-dark max-md:min-h-11'
          : 'inline-block min-h-6 content-center font-bold text-spruce underline underline-offset-4 max-md:min-h-11'
      }
    >
      {children}
    </a>
  )
}
