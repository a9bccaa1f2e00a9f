import type { Plan } from '../api/client'

/** A thing to tick; what is known is filled and ticked. */
export function PlanChip({
  thing,
  onTick,
}: {
  thing: Plan['sections'][number]['fingers'][number]
  onTick: (thing: string, known: boolean) => void
}) {
  return (
    <button
      type="button"
      aria-pressed={thing.known}
      aria-label={thing.name === thing.short ? undefined : `${thing.short}: ${thing.name}`}
      title={thing.name === thing.short ? undefined : thing.name}
      onClick={() => onTick(thing.thing, thing.known)}
      className="min-h-6.5 min-w-6.5 rounded-md border border-line-dark px-1.5 text-sm hover:bg-maple-pale aria-pressed:border-spruce aria-pressed:bg-spruce aria-pressed:font-bold aria-pressed:text-paper aria-pressed:hover:bg-spruce-dark max-md:min-h-11 max-md:min-w-11"
    >
      {thing.short}
    </button>
  )
}
