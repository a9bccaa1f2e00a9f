import type { ReactNode } from 'react'

/** Something to do with the tune, in the strip across the stand. */
export function BarButton({ icon, label, onClick }: { icon: ReactNode; label: string; onClick: () => void }) {
  return (
    <button
      type="button"
      onClick={onClick}
      className="flex items-center gap-1.5 rounded-md px-2 py-1.5 hover:bg-maple-pale max-md:min-h-11"
    >
      {icon}
      {label}
    </button>
  )
}
