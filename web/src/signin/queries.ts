import { useQuery, useQueryClient } from '@tanstack/react-query'
import { answer, api } from '../api/client'
import { useChange } from '../api/useChange'

export type NameAndPassphrase = { name: string; passphrase: string }

/** Who is signed in, and whether anybody needs to be. */
export const useMe = () =>
  useQuery({ queryKey: ['me'], queryFn: () => answer(api.GET('/api/me')), staleTime: 60_000, retry: 1 })

export function useSignIn() {
  const queries = useQueryClient()
  return useChange<NameAndPassphrase, unknown>(async (body) => {
    await answer<unknown>(api.POST('/api/sign-in', { body }))
    // What was refused is asked for again, and nothing else is lost.
    await queries.invalidateQueries()
  }, 'signedIn')
}

export function useSignOut() {
  const queries = useQueryClient()
  return useChange<null, unknown>(async () => {
    await answer<unknown>(api.POST('/api/sign-out'))
    queries.clear()
    window.location.assign('/')
  }, 'nothing')
}

export const useTeachers = () => useQuery({ queryKey: ['teachers'], queryFn: () => answer(api.GET('/api/teachers')) })

export const useAddTeacher = () =>
  useChange<NameAndPassphrase, unknown>((body) => answer<unknown>(api.POST('/api/teachers', { body })), 'teachers')

const of = (teacher: number) => ({ params: { path: { teacher } } })

export const useChangePassphrase = () =>
  useChange<{ id: number; former: string; passphrase: string }, unknown>(
    ({ id, ...body }) => answer<unknown>(api.PUT('/api/teachers/{teacher}/passphrase', { ...of(id), body })),
    'teachers',
  )

export const useSignOutEverywhere = () =>
  useChange<number, unknown>(
    (id) => answer<unknown>(api.POST('/api/teachers/{teacher}/everywhere', of(id))),
    'teachers',
  )

export const useRemoveTeacher = () =>
  useChange<number, unknown>((id) => answer<unknown>(api.DELETE('/api/teachers/{teacher}', of(id))), 'teachers')
