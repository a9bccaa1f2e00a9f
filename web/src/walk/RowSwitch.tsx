/** Switches a row under the notes on and off. */
export function RowSwitch({ label, on, onClick }: { label: string; on: boolean; onClick: () => void }) {
  return (
    <button
      type="button"
      aria-pressed={on}
      onClick={onClick}
      className="flex items-center gap-1.5 rounded-md px-2.5 py-1.5 hover:bg-maple-pale aria-pressed:bg-maple-pale aria-pressed:font-bold max-md:min-h-11"
    >
      <span aria-hidden="true" className={`size-3 rounded-[3px] border-2 border-maple ${on ? 'bg-maple' : ''}`} />
      {label}
    </button>
  )
}
