import { Component, useState, type ReactNode } from 'react'
import { Button } from './Button'
import { Refused } from './Said'
import { NotFetched } from './screenToCome'
import { TextLink } from './TextLink'

/** What went wrong, the text that it concerns to copy, and the ways on. */
export function Mishap({
  title,
  why,
  source,
  text,
  onAgain,
  home = <TextLink to="/tunes">To the tunes</TextLink>,
  children,
}: {
  title: string
  why: string
  /** The tune as it was written, so that it is not lost with the screen. */
  source?: string | undefined
  /** In its place, what shows it. */
  text?: ReactNode
  onAgain?: (() => void) | undefined
  /** The way to where one begins. */
  home?: ReactNode
  /** Other ways on. */
  children?: ReactNode
}) {
  return (
    <section className="m-auto flex w-full max-w-xl flex-col gap-4 p-6">
      <h1 className="text-2xl">{title}</h1>
      <Refused>{why}</Refused>
      <p className="flex flex-wrap items-center gap-5">
        {onAgain && (
          <Button kind="go" onClick={onAgain}>
            Try again
          </Button>
        )}
        {children}
        {home}
      </p>
      {source ? <CopyText source={source} /> : text}
    </section>
  )
}

/** A text to copy, by a button or by hand. */
export function CopyText({ source, label = 'The tune’s text' }: { source: string; label?: string }) {
  const [copied, setCopied] = useState(false)
  return (
    <label className="flex w-full flex-col gap-1 font-bold">
      <span className="flex items-center justify-between">
        {label}
        <Button
          size="inline"
          onClick={() =>
            void navigator.clipboard.writeText(source).then(
              () => setCopied(true),
              () => setCopied(false), // it can still be marked and copied by hand
            )
          }
        >
          {copied ? 'Copied' : 'Copy'}
        </Button>
      </span>
      <textarea
        readOnly
        value={source}
        rows={10}
        wrap="off"
        className="rounded-md border border-line-dark bg-sheet px-3 py-2 font-mono text-sm leading-6 font-normal"
      />
    </label>
  )
}

/**
 * Stands in for a screen that failed while it was drawn, with the text that it was about. Another address or another
 * try draws it anew.
 */
export class Mishaps extends Component<
  { address: string; text?: ReactNode; home?: ReactNode; children: ReactNode },
  { problem: Error | null; at: string }
> {
  override state = { problem: null as Error | null, at: '' }

  static getDerivedStateFromError(problem: unknown) {
    return { problem: problem instanceof Error ? problem : new Error(String(problem)) }
  }

  static getDerivedStateFromProps({ address }: { address: string }, state: { at: string }) {
    return state.at === address ? null : { problem: null, at: address }
  }

  override render() {
    const { problem } = this.state
    if (!problem) return this.props.children
    return (
      <main tabIndex={-1} className="flex min-h-0 flex-1 overflow-y-auto outline-none">
        {problem instanceof NotFetched ? (
          <Mishap
            title="This page could not be fetched"
            why="Coppia does not answer, or has been renewed meanwhile. What you typed and saved is kept."
            home={this.props.home}
            onAgain={() => location.reload()}
          />
        ) : (
          <Mishap
            title="Coppia failed here"
            why={`The fault is in Coppia, not in your tune: ${problem.message}. What you typed and saved is kept.`}
            text={this.props.text}
            home={this.props.home}
            onAgain={() => this.setState({ problem: null })}
          />
        )}
      </main>
    )
  }
}
