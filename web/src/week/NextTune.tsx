import { useWithinReach } from '../register/queries'
import { Asked } from '../ui/Asked'
import { TextLink } from '../ui/TextLink'

/** The tune that brings the least that is new. */
export function NextTune({ id, instrument }: { id: number; instrument: string | undefined }) {
  const within = useWithinReach(id)
  const all = within.data?.tunes ?? []
  const tune = all.find((t) => t.fit?.count === 1) ?? all[0]
  return (
    <section aria-labelledby="next-tune">
      <h2 id="next-tune" className="mb-1 text-xl">
        Within reach next
      </h2>
      <Asked of={within}>
        {tune && (
          <>
            <TextLink to={`/tunes/${tune.id}${instrument ? `?for=${instrument}` : ''}`}>{tune.title}</TextLink>
            <p className="text-said">{tune.fit?.new.join(' · ')}</p>
            {tune.fit?.care && <p className="text-sm text-soft">{tune.fit.care}</p>}
            {instrument && (
              <TextLink to={`/exercises?first=${tune.id}&for=${instrument}`}>A sheet that prepares it</TextLink>
            )}
          </>
        )}
        {within.data && !tune && (
          <p>
            {within.data.working
              ? 'Looking through the tunes …'
              : 'No tune of the library brings just one or two new things.'}
          </p>
        )}
      </Asked>
    </section>
  )
}
