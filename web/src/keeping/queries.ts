import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { answer, api, type Refusal, type Restored, type TakenIn } from '../api/client'

/** The backups that are kept. */
export const useKeeping = () => useQuery({ queryKey: ['keeping'], queryFn: () => answer(api.GET('/api/keeping')) })

/** How the library is; a failing one answers too. */
export const useHealth = () =>
  useQuery({
    queryKey: ['health'],
    queryFn: async () => {
      const { data, error } = await api.GET('/api/health')
      return data ?? error
    },
  })

/** A change after which nothing on any screen is what it was. */
function useUpheaval<T, R>(call: (input: T) => Promise<R>) {
  const queries = useQueryClient()
  return useMutation<R, Refusal, T>({ mutationFn: call, onSuccess: () => queries.invalidateQueries() })
}

/** A file as it is, for the whole of a request. */
const whole = (file: File) => ({
  body: file as never,
  bodySerializer: (body: unknown) => body as File,
  headers: { 'Content-Type': file.type || 'application/octet-stream' },
})

/** Puts a backup in the library’s place: a file, or a kept one by its name. */
export const useRestore = () =>
  useUpheaval<File | string, Restored>((backup) =>
    answer(
      typeof backup === 'string'
        ? api.POST('/api/keeping/backups/{name}/restore', { params: { path: { name: backup } } })
        : api.POST('/api/keeping/restore', whole(backup)),
    ),
  )

/** Takes everything of a .zip in, beside what is there. */
export const useTakeIn = () =>
  useUpheaval<File, TakenIn>((file) => answer(api.POST('/api/keeping/everything', whole(file))))
