import { useId, useState } from 'react'
import { Input } from './Field'

/**
 * A number that is kept when one leaves it. What lies outside its limits stays as it was typed, with what would be
 * right, and nothing is kept.
 */
export function Figure({
  label,
  value,
  least,
  most,
  step = 1,
  emptied = value,
  onChange,
  ...look
}: {
  label: string
  value: number
  least: number
  most: number
  /** What is kept is a whole number of these. */
  step?: number
  /** What an emptied field means. */
  emptied?: number
  onChange: (value: number) => void
} & Pick<Parameters<typeof Input>[0], 'size' | 'width'>) {
  const [typed, setTyped] = useState<{ text: string; over: number } | null>(null)
  const id = useId()
  // A value that was changed elsewhere, by undo or in another window, is shown.
  const text = typed?.over === value ? typed.text : null
  const asked = text === null || text.trim() === '' ? emptied : Math.round(Number(text) / step) * step
  const isWrong = !(asked >= least && asked <= most)
  const keep = () => {
    if (text === null || isWrong) return
    setTyped(null)
    if (asked !== value) onChange(asked)
  }
  return (
    <>
      <Input
        {...look}
        inputMode={step < 1 ? 'decimal' : 'numeric'}
        type="number"
        aria-label={label}
        aria-invalid={isWrong}
        aria-describedby={isWrong ? id : undefined}
        min={least}
        max={most}
        step={step}
        value={text ?? String(value)}
        onChange={(e) => setTyped({ text: e.target.value, over: value })}
        onBlur={keep}
        onKeyDown={(e) => {
          if (e.key === 'Enter') keep()
        }}
      />
      {isWrong && (
        <span id={id} role="alert" className="text-sm text-brick">
          {least} to {most}
        </span>
      )}
    </>
  )
}
