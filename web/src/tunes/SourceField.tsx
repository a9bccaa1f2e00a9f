import { useRef, type ReactNode, type RefObject } from 'react'
import type { Notice, SourceError } from '../api/client'

/** The source text with what is wrong in it; each error leads to its place. */
export function SourceField({
  label,
  value,
  onChange,
  errors,
  notices = [],
  rows,
  placeholder,
  field: given,
  children,
}: {
  label: string
  value: string
  onChange: (text: string) => void
  errors: readonly SourceError[]
  notices?: readonly Notice[]
  rows: number
  placeholder?: string
  /** Gets hold of the field. */
  field?: RefObject<HTMLTextAreaElement | null>
  /** Stands right below the field: what is said of the text comes and goes below it, and moves nothing under a hand. */
  children?: ReactNode
}) {
  const own = useRef<HTMLTextAreaElement>(null)
  const field = given ?? own
  const goTo = (line: number, column: number) => {
    const lines = value.split('\n')
    const at = lines.slice(0, line - 1).reduce((sum, l) => sum + l.length + 1, 0) + column - 1
    field.current?.focus()
    field.current?.setSelectionRange(at, at + 1)
  }
  const wrongLines = new Set(errors.map((e) => e.at.line))
  const lineCount = Math.max(rows, value.split('\n').length)
  return (
    <div className="flex flex-col gap-2">
      <label className="flex flex-col gap-1 font-bold">
        {label}
        <span className="flex max-h-[46vh] overflow-y-auto rounded-md border border-line-dark bg-sheet font-normal focus-within:outline-3 focus-within:outline-spruce">
          <span
            aria-hidden="true"
            className="border-r border-line px-2 py-2 text-right font-mono text-sm leading-6 text-soft select-none"
          >
            {Array.from({ length: lineCount }, (_, i) => (
              <span
                key={i}
                className={`block ${wrongLines.has(i + 1) ? 'rounded bg-brick px-1 font-bold text-paper' : 'px-1'}`}
              >
                {i + 1}
              </span>
            ))}
          </span>
          <textarea
            ref={field}
            value={value}
            rows={lineCount}
            wrap="off"
            spellCheck={false}
            placeholder={placeholder}
            aria-invalid={errors.length > 0}
            onChange={(e) => onChange(e.target.value)}
            className="w-full resize-none overflow-y-hidden bg-transparent px-3 py-2 font-mono text-sm leading-6 outline-none placeholder:text-soft"
          />
        </span>
      </label>
      {children}
      {errors.length > 0 && (
        <ul aria-label="What cannot be read" className="flex max-h-40 flex-col gap-1 overflow-y-auto text-sm">
          {errors.map((e) => (
            <li key={`${e.at.line}:${e.at.column}:${e.wrong}`} className="bg-brick-pale px-2 py-1">
              <button
                type="button"
                className="min-h-6 font-bold text-brick underline underline-offset-2 max-md:min-h-11"
                onClick={() => goTo(e.at.line, e.at.column)}
              >
                Line {e.at.line}, column {e.at.column}
              </button>
              : {e.wrong}; expected {e.expected}.
            </li>
          ))}
        </ul>
      )}
      {notices.length > 0 && (
        <ul aria-label="Good to know" className="border-l-4 border-maple pl-3 text-sm">
          {notices.map((n) => (
            <li key={`${n.at.line}:${n.at.column}:${n.message}`}>{n.message}</li>
          ))}
        </ul>
      )}
    </div>
  )
}
