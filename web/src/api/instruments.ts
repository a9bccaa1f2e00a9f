import { useQuery } from '@tanstack/react-query'
import { answer, api } from './client'

/** The instruments of the house, in the order of a score. */
export const useInstruments = () =>
  useQuery({ queryKey: ['instruments'], queryFn: () => answer(api.GET('/api/instruments')), staleTime: Infinity })
