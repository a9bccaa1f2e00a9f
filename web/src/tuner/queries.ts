import { useQuery } from '@tanstack/react-query'
import { answer, api } from '../api/client'

/** The order of tuning, and everything that the tuner says. */
export const useTuning = () =>
  useQuery({ queryKey: ['plan', 'tuning'], queryFn: () => answer(api.GET('/api/tuning')), staleTime: 60_000 })
