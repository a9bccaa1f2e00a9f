import { SlidersHorizontal } from 'lucide-react'
import { use, type ReactNode } from 'react'
import { createPortal } from 'react-dom'
import { Bar } from './bar'
import { Fold } from './Fold'
import { useSmall } from './useSmall'

/**
 * What can be chosen and done on a page, across its top; not printed. On a small window all but the lead folds behind
 * the bar.
 */
export function Strip({
  lead,
  plain = false,
  children,
}: {
  lead?: ReactNode
  /** Beside the title of a page. */
  plain?: boolean
  children?: ReactNode
}) {
  const small = useSmall()
  const bar = use(Bar)
  if (!small)
    return (
      <div
        className={`no-print flex flex-wrap items-center gap-x-3 gap-y-2 min-[1360px]:gap-x-5 ${plain ? '' : 'border-b border-line bg-paper px-4 py-2 min-[1360px]:px-6'}`}
      >
        {lead}
        {children}
      </div>
    )
  const folded = (
    <>
      <div className="min-w-0">{lead}</div>
      {children && (
        <div className="ml-auto">
          <Fold
            button={
              <>
                <SlidersHorizontal size={18} /> Tools
              </>
            }
          >
            {children}
          </Fold>
        </div>
      )}
    </>
  )
  if (bar) return createPortal(folded, bar)
  if (bar === null) return null
  return (
    <div className="no-print sticky top-0 z-20 flex h-12 items-center gap-2 border-b border-line bg-paper px-2">
      {folded}
    </div>
  )
}

/** At the end of a strip. */
export function StripEnd({ children }: { children: ReactNode }) {
  return <div className="flex flex-wrap items-center gap-1 md:ml-auto">{children}</div>
}
