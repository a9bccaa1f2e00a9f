import type { ReactNode } from 'react'
import { Link } from 'react-router'

const LOOK = 'font-bold text-spruce underline underline-offset-4'
/** Alone it is as high as a finger wants; in a sentence as high as its line. */
const ALONE = 'inline-block min-h-6 min-w-6 content-center max-md:min-h-11 max-md:min-w-11'

const look = (inSentence: boolean) => (inSentence ? LOOK : `${LOOK} ${ALONE}`)

/** A way to another page; what has to be so there is done on the way. */
export function TextLink({
  to,
  inSentence = false,
  onClick,
  children,
}: {
  to: string
  inSentence?: boolean
  onClick?: () => void
  children: ReactNode
}) {
  return (
    <Link to={to} className={look(inSentence)} onClick={onClick}>
      {children}
    </Link>
  )
}

/** Looks like a link and does something here. */
export function TextButton({
  onClick,
  inSentence = false,
  children,
}: {
  onClick: () => void
  inSentence?: boolean
  children: ReactNode
}) {
  return (
    <button type="button" className={look(inSentence)} onClick={onClick}>
      {children}
    </button>
  )
}
