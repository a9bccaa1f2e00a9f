import { useQuery } from '@tanstack/react-query'
import { answer, api } from './client'

/** The writing tasks, to be written, set and tried. */
export const useTasks = () =>
  useQuery({ queryKey: ['tasks'], queryFn: () => answer(api.GET('/api/desk/tasks', {})), staleTime: 0 })
