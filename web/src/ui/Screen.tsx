import { useEffect, useRef, type ReactNode } from 'react'
import { useLocation } from 'react-router'

/** The main part of a screen. It takes the focus when one comes to it, so that its keys work at once. */
export function Screen({
  title,
  className = '',
  children,
}: {
  /** What the browser’s tab and history call it. */
  title: string
  className?: string
  children: ReactNode
}) {
  const main = useRef<HTMLElement>(null)
  // Not when the program opens: then the keyboard begins at the top.
  const isFirst = useLocation().key === 'default'
  useEffect(() => {
    if (!isFirst && document.activeElement === document.body) main.current?.focus({ preventScroll: true })
    // Only when it comes.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [])
  return (
    <main ref={main} tabIndex={-1} className={`outline-none ${className}`}>
      <title>{`${title} · Coppia`}</title>
      {children}
    </main>
  )
}
