import { useState } from 'react'
import { useParams } from 'react-router'
import { Round } from '../drills'
import { Asked } from '../ui/Asked'
import { Button } from '../ui/Button'
import { Screen } from '../ui/Screen'
import { TextLink } from '../ui/TextLink'
import { useLearn, useLearnCards } from './queries'
import { useReports } from './reports'
import { useLearnJudge } from './useLearnJudge'
import { today } from '../calendar/days'

/** The cards that are due, from five boxes; each first answer moves its card. */
export function LearnCards() {
  const link = useParams().link ?? ''
  const [day] = useState(today)
  const [round, setRound] = useState(1)
  const learn = useLearn(link)
  const cards = useLearnCards(link, day, round)
  const { tell } = useReports()
  const names = cards.data?.cards
  const questions = cards.data?.view.questions
  const judge = useLearnJudge(link, (asked, reply, seconds) => {
    const card = names?.[questions?.indexOf(asked) ?? -1]
    if (card) tell('answers', { card, reply, seconds })
  })
  const back = <TextLink to={`/learn/${link}`}>Back to my week</TextLink>
  return (
    <Screen title="Cards" className="flex h-dvh flex-col">
      <Asked of={cards}>
        {cards.data && learn.data && cards.data.view.questions.length > 0 && (
          <Round
            key={round}
            name={`learn.${link}`}
            of={`${day} ${round} ${cards.data.cards.join()}`}
            view={cards.data.view}
            instrument={learn.data.instrument}
            judge={judge}
            lead={back}
            ways={() => (
              <>
                <Button kind="go" onClick={() => setRound((n) => n + 1)}>
                  More cards
                </Button>
                {back}
              </>
            )}
          />
        )}
        {cards.data?.view.questions.length === 0 && (
          <div className="flex flex-col items-start gap-4 px-4 py-8">
            <h1 className="text-title">No card is due today</h1>
            <p>They come back when it is their day.</p>
            {back}
          </div>
        )}
      </Asked>
    </Screen>
  )
}
