import { useKept } from '../offline/kept'

/** An edit of a tune that is not saved yet, with the version of the tune that it began from. */
export type TuneDraft = { title: string; composer: string; printedFor: string; source: string; version: number }

/** The edit that was begun on a tune, or null; kept on this machine until it is saved or discarded. */
export const useTuneDraft = (id: number) => useKept<TuneDraft>(`tune.${id}`)
