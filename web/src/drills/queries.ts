import { answer, api, type DrillQuestion, type DrillView, type Judgement, type RoundEnd } from '../api/client'

/** What is answered, in the fields of a sheet’s key. */
export type Reply = Readonly<Record<string, unknown>>

/** A question with the first answer to it; null where the answer was shown. */
export type Given = { kind: string; question: unknown; reply: Reply | null; right: boolean }

type Asked = { kind: string; question: unknown }

export const openDrill = (instrument: string, heading: string, questions: readonly Asked[]): Promise<DrillView> =>
  answer(api.POST('/api/drills/open', { body: { instrument, heading, questions: questions as never } }))

/** Says what happened in an answer. */
export const judge = (instrument: string, asked: DrillQuestion, reply: Reply | null): Promise<Judgement> =>
  answer(
    api.POST('/api/drills/answer', {
      body: { instrument, given: { kind: asked.kind, question: asked.sheet.question, reply: reply as never } },
    }),
  )

export const endRound = (instrument: string, given: readonly Given[]): Promise<RoundEnd> =>
  answer(
    api.POST('/api/drills/end', {
      body: {
        instrument,
        given: given.map(({ kind, question, reply }) => ({
          kind,
          question: question as never,
          reply: reply as never,
        })),
      },
    }),
  )
