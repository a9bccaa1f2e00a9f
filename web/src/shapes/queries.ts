import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { answer, api, type ScaleForm } from '../api/client'

export const useShapes = (
  instrument: string,
  fifths: number,
  form: ScaleForm,
  position: string | null,
  compareFifths: number | null,
) =>
  useQuery({
    queryKey: ['shapes', instrument, fifths, form, position, compareFifths],
    queryFn: () =>
      answer(
        api.GET('/api/shapes/{instrument}', {
          params: {
            path: { instrument },
            query: { fifths, form, position: position ?? undefined, compareFifths: compareFifths ?? undefined },
          },
        }),
      ),
    enabled: instrument !== '',
    placeholderData: keepPreviousData,
  })
