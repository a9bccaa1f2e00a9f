import { useRef, type ReactNode } from 'react'
import { Button } from './Button'

/** A button that asks for a file. */
export function FileButton({
  accept,
  busy,
  onFile,
  children,
}: {
  accept: string
  busy: boolean
  onFile: (file: File) => void
  children: ReactNode
}) {
  const input = useRef<HTMLInputElement>(null)
  return (
    <>
      <Button disabled={busy} onClick={() => input.current?.click()}>
        {children}
      </Button>
      <input
        ref={input}
        type="file"
        accept={accept}
        aria-label={typeof children === 'string' ? children : undefined}
        className="hidden"
        onChange={(e) => {
          const file = e.target.files?.[0]
          e.target.value = '' // the same file can be chosen again
          if (file) onFile(file)
        }}
      />
    </>
  )
}
