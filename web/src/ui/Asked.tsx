import type { ReactNode } from 'react'
import { Button } from './Button'
import { Refused } from './Said'

/** What was asked of the server; where no answer came, why, and another try. */
export function Asked({
  of,
  children,
}: {
  of: { data?: unknown; error: Error | null; refetch: () => unknown }
  children: ReactNode
}) {
  if (of.data !== undefined || !of.error) return children
  return (
    <div className="flex flex-col items-start gap-3 py-2">
      <Refused>{of.error.message}</Refused>
      <Button onClick={() => void of.refetch()}>Try again</Button>
    </div>
  )
}
