import { Radio, RadioGroup } from '@headlessui/react'

/** A row of choices of which one is taken. */
export function Choice<T extends string | number>({
  label,
  value,
  options,
  onChange,
  hideLabel = false,
}: {
  label: string
  value: T
  /** With the key that takes it, where there is one. */
  options: readonly { value: T; label: string; key?: string }[]
  onChange: (value: T) => void
  hideLabel?: boolean
}) {
  return (
    <div className="flex flex-wrap items-center gap-2">
      {!hideLabel && <span className="text-sm text-soft">{label}</span>}
      <RadioGroup
        value={value}
        onChange={onChange}
        aria-label={label}
        className="flex flex-wrap rounded-md border border-line-dark"
      >
        {options.map((o) => (
          <Radio
            key={o.value}
            value={o.value}
            className="flex max-w-full cursor-pointer items-center gap-1.5 border-r border-line-dark px-3 py-1 [overflow-wrap:anywhere] last:border-r-0 hover:bg-maple-pale data-checked:bg-spruce data-checked:font-bold data-checked:text-paper max-md:min-h-11 max-md:min-w-11 max-md:justify-center"
          >
            {o.label}
            {o.key && (
              <span className="text-xs font-normal opacity-80" aria-hidden="true">
                {o.key}
              </span>
            )}
          </Radio>
        ))}
      </RadioGroup>
    </div>
  )
}
