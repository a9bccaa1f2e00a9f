import { useQuery } from '@tanstack/react-query'
import { answer, api } from '../api/client'

/**
 * The tapes of an instrument on a string so long; asked for only where that is a length. Never those of another string.
 */
export const useTaping = (instrument: string, lengthMm: number | null) =>
  useQuery({
    queryKey: ['taping', instrument, lengthMm],
    queryFn: () =>
      answer(
        api.GET('/api/taping/{instrument}', { params: { path: { instrument }, query: { lengthMm: lengthMm ?? 0 } } }),
      ),
    enabled: instrument !== '' && lengthMm !== null,
  })
