import { useQuery } from '@tanstack/react-query'
import { useParams } from 'react-router'
import { PlayPaper } from '../walk/PlayPaper'
import { Screen } from '../ui/Screen'
import { TextLink } from '../ui/TextLink'
import { Ladder } from './Ladder'
import { useLearn, learnTune } from './queries'
import { useReports } from './reports'

/** A tune that is set, and its ladder of tempos. */
export function LearnTune() {
  const params = useParams()
  const link = params.link ?? ''
  const tune = Number(params.tune)
  const asked = useQuery(learnTune(link, tune))
  const work = useLearn(link).data?.work.find((w) => w.tuneId === tune && w.ladder !== null)
  const { tell } = useReports()
  const reading = asked.data
  return (
    <Screen title={reading?.title ?? 'A tune'} className="flex h-dvh flex-col">
      <PlayPaper
        asked={asked}
        head={(hear) => (
          <>
            <TextLink to={`/learn/${link}`}>Back to my week</TextLink>
            <h1 className="text-title">{reading?.title}</h1>
            {reading && (
              <p className="text-sm text-soft">{[reading.keyName, reading.keyWords].filter(Boolean).join(' · ')}</p>
            )}
            {reading && <TextLink to={`/learn/${link}/tunes/${tune}/ladders`}>Practise the trouble spots</TextLink>}
            {work?.ladder && (
              <Ladder
                name={`${link}.${tune}`}
                ladder={work.ladder}
                onTempo={(tempo) => hear.set({ tempo })}
                onReached={(tempo) => tell('practice', { minutes: 0, tuneId: tune, tempo })}
              />
            )}
          </>
        )}
      />
    </Screen>
  )
}
