import type { Trainings } from '../api/client'

/** What can be trained, in the teacher’s words; a press puts the kind on the sheet. */
export function KindList({
  trainings,
  busy,
  onAdd,
}: {
  trainings: Trainings
  busy: boolean
  onAdd: (kind: string, needsATune: boolean) => void
}) {
  return (
    <div className="flex flex-col gap-3">
      {trainings.map((training) => (
        <section key={training.name} aria-label={training.name}>
          <h3 className="text-base text-maple-dark">{training.name}</h3>
          <ul>
            {training.kinds.map((k) => (
              <li key={k.kind}>
                <button
                  type="button"
                  disabled={busy}
                  className="flex min-h-8 w-full items-baseline gap-2 rounded-md px-2 py-0.5 text-left hover:bg-maple-pale max-md:min-h-11"
                  onClick={() => onAdd(k.kind, k.needsATune)}
                >
                  <span aria-hidden="true" className="font-bold text-spruce">
                    +
                  </span>
                  <span>
                    <span className="block font-bold">{k.name}</span>
                    <span className="block text-sm text-soft">{k.about}</span>
                  </span>
                </button>
              </li>
            ))}
          </ul>
        </section>
      ))}
    </div>
  )
}
