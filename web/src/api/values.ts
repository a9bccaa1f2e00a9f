import { useQuery } from '@tanstack/react-query'
import { answer, api } from './client'

const NONE: readonly { value: string; name: string }[] = []

/** Note values that beginners meet, the longest first, as the house style names them. */
export const useValueNames = () =>
  useQuery({ queryKey: ['value-names'], queryFn: () => answer(api.GET('/api/values')), staleTime: Infinity }).data ??
  NONE
