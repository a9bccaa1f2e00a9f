import { useQuery } from '@tanstack/react-query'
import { answer, api, Refusal, type WritingState } from '../api/client'
import type { Send } from './writingQueue'

export type NewStaff = {
  instrument: string
  fifths: number
  meter: string
  clef: string | null
  pickUp: string | null
  perLine: number
}

/** An empty staff. */
export const newWriting = (body: NewStaff) => answer(api.POST('/api/writing/new', { body }))

/** A kept tune on the line that an instrument reads. */
/** @param perLine Bars in a line that is drawn. */
export const openWriting = (id: number, instrument: string, perLine: number) =>
  answer(api.GET('/api/tunes/{id}/writing', { params: { path: { id }, query: { instrument, perLine } } }))

/** What was kept by an older page has no key, and the server forgets: then the score itself is sent. */
const GONE = 410

/** One step: the score is told by its key, and sent only where that is forgotten. */
export const stepFor =
  (instrument: string, perLine: number): Send =>
  async ({ doc, ...state }: WritingState, command) => {
    const step = (from: typeof state & { doc?: string }) =>
      answer(api.POST('/api/writing/step', { body: { state: from, instrument, perLine, command: command ?? null } }))
    if (!state.key) return step({ ...state, doc })
    try {
      return await step(state)
    } catch (refusal) {
      if (refusal instanceof Refusal && refusal.status === GONE) return step({ ...state, doc })
      throw refusal
    }
  }

/** The written score as text to keep, in the form of the text that it came from. */
export const textOfWriting = (doc: string, before: string | null) =>
  answer(api.POST('/api/writing/text', { body: { doc, before } }))

/** What each line and space is called and how it is played. */
export const useSpots = (instrument: string, fifths: number, clef: string) =>
  useQuery({
    queryKey: ['staff-spots', instrument, fifths, clef],
    queryFn: () =>
      answer(
        api.GET('/api/instruments/{instrument}/staff', {
          params: { path: { instrument }, query: { fifths, clef } },
        }),
      ),
    enabled: clef !== '',
    staleTime: Infinity,
  })
