import { useQuery } from '@tanstack/react-query'
import { useParams } from 'react-router'
import { answer, api } from '../api/client'
import { PlayPaper } from '../walk/PlayPaper'
import { Screen } from '../ui/Screen'
import { TextLink } from '../ui/TextLink'

/** A piece that one of the class wrote, in an octave that fits the player’s own instrument. */
export function LearnPiece() {
  const params = useParams()
  const link = params.link ?? ''
  const piece = Number(params.piece)
  const asked = useQuery({
    queryKey: ['learn-piece', link, piece],
    queryFn: () => answer(api.GET('/api/learn/{link}/pieces/{piece}', { params: { path: { link, piece } } })),
    staleTime: 60_000,
  })
  const reading = asked.data
  return (
    <Screen title={reading?.title ?? 'A piece'} className="flex h-dvh flex-col">
      <PlayPaper
        asked={asked}
        head={() => (
          <>
            <TextLink to={`/learn/${link}`}>Back to my week</TextLink>
            <h1 className="text-title">{reading?.title}</h1>
            {reading && (
              <p className="text-sm text-soft">
                {[
                  reading.keyName,
                  reading.octaves !== 0 && reading.octaveChoices.find((c) => c.octaves === reading.octaves)?.words,
                ]
                  .filter(Boolean)
                  .join(' · ')}
              </p>
            )}
          </>
        )}
      />
    </Screen>
  )
}
