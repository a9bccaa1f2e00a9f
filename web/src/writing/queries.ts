import { useQuery } from '@tanstack/react-query'
import { answer, api, type WritingState } from '../api/client'
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

export const stepFor =
  (instrument: string, perLine: number): Send =>
  (state: WritingState, command) =>
    answer(api.POST('/api/writing/step', { body: { state, instrument, perLine, command: command ?? null } }))

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
