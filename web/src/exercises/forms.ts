import type { RowId } from '../engraving/layout'

/** How the questions of a kind are laid out: side by side, and what is written under them. */
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

const FORMS: Record<string, KindForm> = {
  'name-it': NOTE,
  'finger-it': NOTE,
  'line-or-space': NOTE,
  signature: NOTE,
  'write-it': { ...NOTE, blank: false },
  stems: { ...NOTE, share: 16, blank: false },
  'find-it': { ...BARS, rows: [] },
  'hand-shape': { ...BARS, blank: true },
  'beat-sums': { ...BARS, blank: true },
  'count-it': { ...BARS, rows: ['count'] },
  'bow-it': { ...BARS, rows: ['bow'] },
  'spot-difference': BARS,
  'scale-builder': { share: 100, blank: false, rows: ['pair'] },
  'pen-work': { share: 100, blank: false, rows: [] },
}

/** Music to play goes over the whole width, with its pairs where they are wanted. */
export const formOf = (kind: string, pairs: boolean): KindForm =>
  FORMS[kind] ?? { share: 100, blank: false, rows: pairs ? ['pair'] : [] }
