import type { Given } from './queries'

/** More questions than this are told by their number alone. */
const MOST_DOTS = 24

/** How far the round is: a dot a question, full where it was right at once, ringed where it was not. */
export function Progress({ questions, given, at }: { questions: number; given: readonly Given[]; at: number }) {
  const right = given.filter((g) => g.right).length
  return (
    <span
      className="flex items-center gap-1"
      role="img"
      aria-label={`${given.length} of ${questions} answered, ${right} right`}
    >
      {questions <= MOST_DOTS ? (
        Array.from({ length: questions }, (_, i) => (
          <span
            key={i}
            className={`size-3 rounded-full border-2 ${
              given[i]
                ? given[i].right
                  ? 'border-spruce bg-spruce'
                  : 'border-brick'
                : i === at
                  ? 'border-ink'
                  : 'border-line-dark'
            }`}
          />
        ))
      ) : (
        <span className="text-soft">
          {given.length} of {questions}
        </span>
      )}
    </span>
  )
}
