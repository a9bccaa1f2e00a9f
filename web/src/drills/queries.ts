import { answer, api, type DrillQuestion, type DrillView, type Judgement, type RoundEnd } from '../api/client'

/** What is answered, in the fields of a sheet’s key. */
export type Reply = Readonly<Record<string, unknown>>

/** A question with the first answer to it; null where the answer was shown. */
export type Given = { kind: string; question: unknown; reply: Reply | null; right: boolean }

type Asked = { kind: string; question: unknown }

export const openDrill = (instrument: string, heading: string, questions: readonly Asked[]): Promise<DrillView> =>
  answer(api.POST('/api/drills/open', { body: { instrument, heading, questions: questions as never } }))

/** Who says what happened: in one answer, and in a whole round. */
export type Judge = {
  /**
   * @param seconds How long the answer took.
   * @param isFirst The first answer to this question of the round, which counts.
   */
  answer: (asked: DrillQuestion, reply: Reply | null, seconds: number, isFirst: boolean) => Promise<Judgement>
  end: (given: readonly Given[]) => Promise<RoundEnd>
}

/** An answer as it is sent. */
export const sent = ({ kind, question, reply }: Omit<Given, 'right'>) => ({
  kind,
  question: question as never,
  reply: reply as never,
})

/** A teacher's own rounds: nothing is recorded. */
export const judgeOf = (instrument: string): Judge => ({
  answer: (asked, reply) =>
    answer(
      api.POST('/api/drills/answer', {
        body: { instrument, given: sent({ kind: asked.kind, question: asked.sheet.question, reply }) },
      }),
    ),
  end: (given) => answer(api.POST('/api/drills/end', { body: { instrument, given: given.map(sent) } })),
})
