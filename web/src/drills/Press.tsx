import type { ReactNode } from 'react'

/** Something large to press as an answer; pressed as long as it is chosen. */
export function Press({
  pressed,
  disabled,
  keyName,
  label,
  wide = false,
  onPress,
  children,
}: {
  pressed: boolean
  disabled: boolean
  /** The key that does the same. */
  keyName?: string | undefined
  label?: string | undefined
  wide?: boolean
  onPress: () => void
  children: ReactNode
}) {
  return (
    <button
      type="button"
      aria-pressed={pressed}
      aria-label={label}
      disabled={disabled}
      onClick={onPress}
      className={`flex min-h-14 min-w-14 flex-col items-center justify-center rounded-md border px-3 py-1 font-bold disabled:cursor-default ${wide ? '' : 'text-xl max-md:min-w-11 max-md:px-2'} ${
        pressed
          ? 'border-spruce bg-spruce text-paper disabled:border-maple disabled:bg-maple-pale disabled:text-ink'
          : 'border-line-dark bg-sheet text-ink enabled:hover:bg-maple-pale disabled:text-soft'
      }`}
    >
      {children}
      {keyName && (
        <span className="text-xs font-normal opacity-80 max-md:hidden" aria-hidden="true">
          {keyName}
        </span>
      )}
    </button>
  )
}

/** A row of things to press, with its name. */
export function PressRow({ label, children }: { label: string; children: ReactNode }) {
  return (
    <div role="group" aria-label={label} className="flex flex-wrap gap-2 max-md:gap-1.5">
      {children}
    </div>
  )
}

/** Answers of which one is chosen. */
export function Choices({
  label,
  choices,
  chosen,
  disabled,
  onChoose,
  sign,
}: {
  label: string
  choices: readonly { value: string; label: string }[]
  chosen: string | null
  disabled: boolean
  onChoose: (value: string) => void
  /** A picture of the choice, over its words. */
  sign?: (value: string) => ReactNode
}) {
  return (
    <PressRow label={label}>
      {choices.map((c) => (
        <Press key={c.value} wide pressed={chosen === c.value} disabled={disabled} onPress={() => onChoose(c.value)}>
          {sign?.(c.value)}
          {c.label}
        </Press>
      ))}
    </PressRow>
  )
}
