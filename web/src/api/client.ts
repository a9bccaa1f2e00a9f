import createClient from 'openapi-fetch'
import type { components, paths } from './schema'

export type TuneSummary = components['schemas']['TuneSummary']
export type TuneDetail = components['schemas']['TuneDetail']
export type TuneCheck = components['schemas']['TuneCheck']
export type SourceError = components['schemas']['SourceError']
export type Notice = components['schemas']['Notice']
export type Reading = components['schemas']['ReadingView']
/** What an engraved picture and its rows need of a reading. */
export type Engravable = Pick<Reading, 'notes' | 'bars' | 'counts'> &
  Partial<Pick<Reading, 'travels' | 'trouble'>> & {
    fresh?: readonly Fresh[]
    /** Where all sections read one staff: what each plays, by the ids of its notes. */
    sections?: readonly SectionPairs[]
    /** Where each section has a staff: whose it is, from top to bottom. */
    staves?: readonly string[]
  }
export type SectionPairs = { name: string; pairs: ReadonlyMap<string, ReadingNote> }
/** A note on which something new to the class first comes. */
export type Fresh = { id: string; name: string }
export type ReadingNote = components['schemas']['ReadingNoteView']
export type Count = components['schemas']['CountView']
export type Instrument = components['schemas']['InstrumentView']
export type ShapeSpot = components['schemas']['ShapeSpotView']
export type Form = components['schemas']['FormView']
export type Trouble = components['schemas']['TroubleView']
export type Bowing = components['schemas']['BowingView']
export type BowChange = components['schemas']['BowChangeView']
export type BowVerdictChange = components['schemas']['BowVerdictChange']
export type BowVerdict = components['schemas']['BowVerdict']
export type BowEdit = Pick<BowVerdictChange, 'noteId' | 'kind'>
export type Pin = components['schemas']['PinView']
export type PinChange = components['schemas']['PinChange']
export type PinChanges = components['schemas']['PinChanges']
export type TuneOrder = 'title' | 'added' | 'changed' | 'shortest' | 'key' | 'hard'
export type Reach = components['schemas']['Reach']
export type Keeping = components['schemas']['KeepingView']
export type TakenIn = components['schemas']['TakenIn']
export type Restored = components['schemas']['RestoredView']
export type Health = components['schemas']['HealthView']
export type Remark = components['schemas']['RemarkView']
export type HouseStyle = components['schemas']['HouseStyle']
export type NamedStyle = components['schemas']['StyleView']
export type Shapes = components['schemas']['ShapesView']
export type KeyLineOfNotes = components['schemas']['KeyLineView']
export type StyleExample = components['schemas']['StyleExample']
export type HandShape = components['schemas']['HandShapeView']
export type ScaleForm = components['schemas']['ScaleForm']
export type Travel = components['schemas']['TravelView']
export type TapeDistance = components['schemas']['TapeDistance']
export type StyleSetting = components['schemas']['StyleSetting']
export type Place = components['schemas']['PlaceView']
export type WritingView = components['schemas']['WritingView']
export type WritingState = components['schemas']['WritingState']
export type WritingEvent = components['schemas']['WritingEvent']
export type WritingBar = components['schemas']['WritingBar']
export type StaffSpot = components['schemas']['StaffSpot']
export type WritingCommand = components['schemas']['WritingCommand']
export type BookTune = components['schemas']['BookTuneView']
export type Trainings = components['schemas']['TrainingView'][]
export type PartRequest = components['schemas']['PartRequest']
export type SheetPart = components['schemas']['SheetPartView']
export type QuestionKind = components['schemas']['QuestionKind']
export type SheetItem = components['schemas']['SheetItemView']
export type SheetQuestion = components['schemas']['SheetQuestionView']
export type QuestionMusic = components['schemas']['QuestionMusicView']
export type QuestionBoard = components['schemas']['QuestionBoardView']
export type SheetDoc = components['schemas']['SheetDoc']
export type KeptSheet = components['schemas']['SheetView']
export type SheetSummary = components['schemas']['SheetSummary']
export type DrillView = components['schemas']['DrillView']
export type DrillDesk = components['schemas']['DrillDeskView']
export type DrillQuestion = components['schemas']['DrillQuestionView']
export type Judgement = components['schemas']['JudgementView']
export type RoundEnd = components['schemas']['RoundEndView']
export type CardKind = components['schemas']['CardKind']
export type CardStage = components['schemas']['CardStage']
export type ScoreLines = components['schemas']['ScoreLinesView']
export type LinesForWhom = components['schemas']['LinesForWhom']
export type Together = components['schemas']['TogetherView']
export type CallMoment = components['schemas']['CallMomentView']
export type CallBar = components['schemas']['CallBarView']
export type KeyOffer = components['schemas']['KeyOfferView']
export type SourceFormat = components['schemas']['SourceFormat']

export type News = NonNullable<Reading['news']>
export type ClassSummary = components['schemas']['ClassSummary']
export type ClassName = components['schemas']['ClassName']
export type ClassDetail = components['schemas']['ClassDetail']
export type Learner = components['schemas']['LearnerView']
export type ListedLearner = components['schemas']['ListedLearner']
export type Plan = components['schemas']['PlanView']
export type SectionPlan = components['schemas']['SectionPlan']
export type KnownChange = components['schemas']['KnownChangeView']
export type Stage = components['schemas']['Stage']
export type TuneFit = components['schemas']['TuneFit']

export const api = createClient<paths>({ baseUrl: '/' })

/** What the server refused, in its own words, with the places in the tune that are wrong. */
export class Refusal extends Error {
  constructor(
    message: string,
    readonly status: number,
    readonly errors: SourceError[] = [],
    readonly source?: string,
    readonly current?: TuneDetail,
  ) {
    super(message)
  }
}

type Answer<T> = { data?: T; error?: unknown; response: Response }

/** The data of an answer, or a Refusal to throw. */
export async function answer<T>(pending: Promise<Answer<T>>): Promise<T> {
  let got: Answer<T>
  try {
    got = await pending
  } catch {
    throw new Refusal('Coppia does not answer. Is it still running? Nothing you typed is lost.', 0)
  }
  if (got.response.ok) return got.data as T
  const problem = (got.error ?? {}) as {
    title?: string
    detail?: string
    errors?: SourceError[] | Record<string, string[]>
    source?: string
    /** Where two save one text, the other one's. */
    current?: TuneDetail
  }
  const places = Array.isArray(problem.errors) ? problem.errors : []
  const rules = problem.errors && !Array.isArray(problem.errors) ? Object.values(problem.errors).flat().join(' ') : ''
  throw new Refusal(
    rules ||
      [problem.title, problem.detail].filter(Boolean).join(' ') ||
      `The request was refused (${got.response.status}).`,
    got.response.status,
    places,
    problem.source,
    problem.current,
  )
}
