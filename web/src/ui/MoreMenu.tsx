import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react'
import type { ReactNode } from 'react'

const ITEM =
  'flex w-full max-md:min-h-11 items-baseline justify-between gap-6 px-4 py-2 text-left data-focus:bg-maple-pale'

/** A button that opens a list of things to do or to choose. */
export function MoreMenu({
  button,
  label,
  quiet = false,
  end = false,
  children,
}: {
  button: ReactNode
  label?: string
  /** Looks like a word of the sentence that it stands in. */
  quiet?: boolean
  /** Hangs at the button’s end. */
  end?: boolean
  children: ReactNode
}) {
  return (
    <Menu>
      <MenuButton
        aria-label={label}
        className={
          quiet
            ? 'min-h-6 font-bold text-spruce underline underline-offset-4 max-md:min-h-11'
            : 'flex items-center justify-end gap-1 rounded-md px-2 py-1.5 text-soft hover:bg-maple-pale hover:text-ink max-md:min-h-11'
        }
      >
        {button}
      </MenuButton>
      <MenuItems
        anchor={end ? 'bottom end' : 'bottom start'}
        className="z-20 min-w-56 rounded-md border border-line-dark bg-sheet py-1 shadow-lg [--anchor-gap:4px] focus:outline-none"
      >
        {children}
      </MenuItems>
    </Menu>
  )
}

export function MoreItem({
  onClick,
  href,
  current = false,
  grave = false,
  children,
}: {
  onClick?: () => void
  /** A file to save, in place of something to do. */
  href?: string
  current?: boolean
  /** It takes something away. */
  grave?: boolean
  children: ReactNode
}) {
  const look = `${ITEM} ${grave ? 'text-brick' : ''} ${current ? 'font-bold' : ''}`
  return (
    <MenuItem>
      {href ? (
        <a className={look} href={href}>
          {children}
        </a>
      ) : (
        <button type="button" className={look} aria-current={current ? 'true' : undefined} onClick={onClick}>
          {children}
        </button>
      )}
    </MenuItem>
  )
}
