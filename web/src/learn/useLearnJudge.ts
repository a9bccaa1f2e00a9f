import { useMemo } from 'react'
import { answer, api, type DrillQuestion, type Judgement, type RoundEnd } from '../api/client'
import { type Judge, type Reply, sent } from '../drills'
import { useStable } from '../ui/useStable'
import { isAway } from '../offline/problems'
import { isSame } from './same'

/**
 * Has a learner's answers judged. While the network is away right or wrong is told here, and why not waits.
 * @param onFirst Gets each first answer to a question.
 */
export function useLearnJudge(
  link: string,
  onFirst: (asked: DrillQuestion, reply: Reply | null, seconds: number) => void,
): Judge {
  const first = useStable(onFirst)
  return useMemo(
    () => ({
      answer: async (asked, reply, seconds, isFirst) => {
        if (isFirst) first(asked, reply, seconds)
        try {
          return await answer(
            api.POST('/api/learn/{link}/answer', {
              params: { path: { link } },
              body: sent({ kind: asked.kind, question: asked.sheet.question, reply }),
            }),
          )
        } catch (problem) {
          if (!isAway(problem)) throw problem
          return away(reply !== null && isSame(asked.answer, reply))
        }
      },
      end: async (given) => {
        try {
          return await answer(api.POST('/api/learn/{link}/end', { params: { path: { link } }, body: given.map(sent) }))
        } catch (problem) {
          if (!isAway(problem)) throw problem
          return endAway(given.filter((g) => g.right).length, given.length)
        }
      },
    }),
    [link, first],
  )
}

const away = (right: boolean): Judgement => ({
  right,
  mistake: right ? 'right' : 'unclear',
  words: right ? 'Right.' : 'Not yet.',
  answer: '',
  next: null,
})

const endAway = (right: number, count: number): RoundEnd => ({
  right,
  count,
  grade: 'away',
  words: `${right} of ${count} at once. Your answers are kept on this phone and sent later.`,
  lookAt: [],
})
