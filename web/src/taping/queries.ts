import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { answer, api } from '../api/client'

export const useTaping = (instrument: string, lengthMm: number) =>
  useQuery({
    queryKey: ['taping', instrument, lengthMm],
    queryFn: () =>
      answer(api.GET('/api/taping/{instrument}', { params: { path: { instrument }, query: { lengthMm } } })),
    enabled: instrument !== '',
    placeholderData: keepPreviousData,
  })
