import type { CallMoment, Together } from '../api/client'
import type { Walk } from '../walk/useWalk'
import { KeyOffers } from './KeyOffers'
import type { TogetherScore } from './useTogetherScore'

/** What to call at the note that one stands on, and before its line. */
export function CallPanel({ id, score, walk }: { id: number; score: TogetherScore; walk: Walk }) {
  const { together, moments, readings } = score
  const { now, notes, at } = walk
  const moment = now && moments?.of.get(now.id)
  const next = moments?.of.get(notes[at + 1]?.id ?? '')
  const own = together?.lines[walk.line]?.own ?? []
  return (
    <aside
      aria-label="What to call"
      className="min-h-0 overflow-y-auto border-line bg-paper px-4 py-3 max-md:border-t md:border-l"
    >
      {together && now && moment && (
        <section aria-live="polite" data-testid="call">
          <p className="text-sm text-soft">
            {score.lead?.bars[walk.bar]?.name}, beat {moment.beat}
          </p>
          <p className="font-head text-4xl leading-tight font-semibold">{moment.name}</p>
          <PairList together={together} moment={moment} />
          <p className="mt-2 text-said">
            {moment.pairs}
            {moment.cues.map((cue) => (
              <span key={cue} className="block text-soft">
                {cue}
              </span>
            ))}
          </p>
          {next && (
            <p className="mt-2 border-t border-line pt-2 text-said text-soft">
              Next <b className="text-ink">{next.name}</b>: {next.pairs}
            </p>
          )}
        </section>
      )}
      {own.length > 0 && (
        <section className="mt-4">
          <h2 className="text-base">Before this line</h2>
          <ul className="text-said">
            {own.map((text) => (
              <li key={text}>{text}</li>
            ))}
          </ul>
        </section>
      )}
      {together && readings && <KeyOffers id={id} together={together} />}
    </aside>
  )
}

/** Each section’s pair in large figures. */
function PairList({ together, moment }: { together: Together; moment: CallMoment }) {
  return (
    <dl className="mt-1 grid grid-cols-[1fr_auto] gap-x-4">
      {together.sections.map((s, i) => {
        const does = moment.sections[i]
        return (
          <div key={s.key} className="contents">
            <dt className="content-center">{s.name}</dt>
            <dd className="text-right text-2xl leading-8 font-bold">
              {does?.label === '-' ? (
                <span className="text-base text-brick">out of reach</span>
              ) : (
                does?.label || (
                  <span className="text-base font-normal text-soft">{does?.holds ? 'holds' : 'rests'}</span>
                )
              )}
            </dd>
          </div>
        )
      })}
    </dl>
  )
}
