import type { ReactNode } from 'react'

/** A sentence that leads to the notes that it is about. */
export function NoteLink({ onClick, children }: { onClick: () => void; children: ReactNode }) {
  return (
    <button
      type="button"
      onClick={onClick}
      className="min-h-6 min-w-11 content-center text-left underline-offset-4 hover:underline max-md:min-h-11"
    >
      {children}
    </button>
  )
}
