import { useQuery } from '@tanstack/react-query'
import { answer, api } from './client'

/** The instruments of the house, in the order of a score. */
export const useInstruments = () =>
  useQuery({ queryKey: ['instruments'], queryFn: () => answer(api.GET('/api/instruments')), staleTime: Infinity })

/** The instrument that is shown where none was chosen: the first of the house; empty until it is known. */
export const useFirstInstrument = () => useInstruments().data?.[0]?.id ?? ''
