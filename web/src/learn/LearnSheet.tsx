import { useQuery } from '@tanstack/react-query'
import { useParams } from 'react-router'
import { Round } from '../drills'
import { Asked } from '../ui/Asked'
import { Screen } from '../ui/Screen'
import { TextLink } from '../ui/TextLink'
import { useLearn, learnSheet } from './queries'
import { useLearnJudge } from './useLearnJudge'

/** A sheet that is set, one question at a time. */
export function LearnSheet() {
  const params = useParams()
  const link = params.link ?? ''
  const id = Number(params.sheet)
  const learn = useLearn(link)
  const sheet = useQuery(learnSheet(link, id))
  const judge = useLearnJudge(link, () => undefined)
  const back = <TextLink to={`/learn/${link}`}>Back to my week</TextLink>
  return (
    <Screen title={sheet.data?.heading || 'A sheet'} className="flex h-dvh flex-col">
      <Asked of={sheet}>
        {sheet.data && learn.data && sheet.data.questions.length > 0 && (
          <Round
            name={`learn.${link}.sheet`}
            of={`${id} ${sheet.data.questions.length}`}
            view={sheet.data}
            instrument={learn.data.instrument}
            judge={judge}
            lead={back}
            ways={() => back}
          />
        )}
        {sheet.data?.questions.length === 0 && (
          <div className="flex flex-col items-start gap-4 px-4 py-8">
            <h1 className="text-title">{sheet.data.heading}</h1>
            <p>This sheet is music to play: your teacher has it on paper.</p>
            {back}
          </div>
        )}
      </Asked>
    </Screen>
  )
}
