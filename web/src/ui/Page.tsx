import type { ReactNode } from 'react'
import { Screen } from './Screen'
import { TextLink } from './TextLink'

/** Where a page begins: at the same place on every screen. */
export const PAGE_EDGE = 'px-4 pt-5 md:px-8'

/** The three widths of a page: of a text, of lists and tables, and all there is. */
const WIDTHS = { text: 'max-w-3xl', lists: 'max-w-6xl', all: '' }

/** A page that is read from top to bottom: its title, what it is about, what can be done, and the rest below. */
export function Page({
  width = 'lists',
  tab,
  children,
  ...head
}: {
  width?: keyof typeof WIDTHS
  /** What the browser’s tab calls it, where that is another name. */
  tab?: string
  children: ReactNode
} & Head) {
  return (
    <Screen title={tab ?? head.title} className="min-h-0 flex-1 overflow-y-auto print:overflow-visible">
      <div className={`pb-10 ${PAGE_EDGE} ${WIDTHS[width]} print:max-w-none print:p-0`}>
        <PageHead {...head} />
        {children}
      </div>
    </Screen>
  )
}

type Head = {
  title: string
  /** Beside the title, smaller. */
  aside?: ReactNode
  /** Where it belongs to, to go back to. */
  back?: { to: string; words: string } | undefined
  subtitle?: ReactNode
  /** What can be done here. */
  actions?: ReactNode
}

export function PageHead({ title, aside, back, subtitle, actions }: Head) {
  return (
    <header className="mb-5 flex flex-wrap items-start justify-between gap-x-6 gap-y-2">
      <div className="min-w-0">
        <div className="flex flex-wrap items-baseline gap-x-4">
          <h1 className="min-h-10 text-3xl">{title}</h1>
          {aside}
        </div>
        {(back ?? subtitle) && (
          <div className="max-w-3xl text-said text-soft">
            {back && <TextLink to={back.to}>{back.words}</TextLink>}
            {back && subtitle && ' · '}
            {subtitle}
          </div>
        )}
      </div>
      {actions && <div className="flex min-h-10 max-w-full flex-wrap items-center gap-x-5 gap-y-2">{actions}</div>}
    </header>
  )
}
