import type { PieceDoc } from '../desk/piece'

/** A piece on this phone that the server does not have yet. */
export type Draft = {
  piece: PieceDoc
  /** The version that it was begun from. */
  from: number
  /** Much of it was taken away: the former is to stay as a version. */
  anew: boolean
}

/** The draft after one more change. */
export const withChange = (draft: Draft | null, piece: PieceDoc, version: number, anew: boolean): Draft => ({
  piece,
  from: draft?.from ?? version,
  anew: anew || (draft?.anew ?? false),
})

/** What is left to send when one state was taken: nothing, or what was written meanwhile, from the new version on. */
export const afterSent = (draft: Draft | null, sent: Draft, version: number): Draft | null =>
  draft === null || draft.piece === sent.piece || JSON.stringify(draft.piece) === JSON.stringify(sent.piece)
    ? null
    : { ...draft, from: version, anew: false }
