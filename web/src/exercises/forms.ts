import type { QuestionKind } from '../api/client'
import type { RowId } from '../engraving/layout'

/** How questions are laid out by what they ask: side by side, and what is written under them. */
export type KindForm = {
  /** Least width of a question in hundredths of the paper. */
  share: number
  /** A rule to write the answer on. */
  blank: boolean
  /** Rows that the answer fills in, for which the question leaves room. */
  rows: readonly RowId[]
}

const NOTE: KindForm = { share: 25, blank: true, rows: [] }
const BARS: KindForm = { share: 50, blank: false, rows: [] }

const FORMS: Record<Exclude<QuestionKind, 'play'>, KindForm> = {
  name: NOTE,
  finger: NOTE,
  lineOrSpace: NOTE,
  signature: NOTE,
  write: { ...NOTE, blank: false },
  stem: { ...NOTE, share: 16, blank: false },
  find: { ...BARS, rows: [] },
  handShape: { ...BARS, blank: true },
  beats: { ...BARS, blank: true },
  count: { ...BARS, rows: ['count'] },
  bow: { ...BARS, rows: ['bow'] },
  difference: BARS,
  scale: { share: 100, blank: false, rows: ['pair'] },
  penWork: { share: 100, blank: false, rows: [] },
}

/** Music to play goes over the whole width, with its pairs where they are wanted. */
export const formOf = (asks: QuestionKind, pairs: boolean): KindForm =>
  asks === 'play' ? { share: 100, blank: false, rows: pairs ? ['pair'] : [] } : FORMS[asks]
