import type { DrillDesk, DrillQuestion, Instrument } from '../api/client'
import type { Reply } from './queries'

/** What every way of answering gets. */
export type SurfaceProps = {
  question: DrillQuestion
  desk: DrillDesk
  instrument: Instrument
  /** Tells the answer as soon as it is one, and null while it is none. */
  onReply: (reply: Reply | null) => void
  /** It has been judged: nothing can be changed any more, and the right answer is shown. */
  solved: boolean
  /** It was judged right. */
  right: boolean
}
