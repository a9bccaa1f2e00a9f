import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { answer, api, type HouseStyle, type NamedStyle } from '../api/client'
import { byId, useChange } from '../api/useChange'

export const useStyles = () => useQuery({ queryKey: ['styles'], queryFn: () => answer(api.GET('/api/styles')) })

export const useDeletedStyles = () =>
  useQuery({ queryKey: ['deleted-styles'], queryFn: () => answer(api.GET('/api/styles/deleted')) })

export const useStyleExample = (style: HouseStyle) =>
  useQuery({
    queryKey: ['style-example', style],
    queryFn: () => answer(api.POST('/api/styles/example', { body: style })),
    placeholderData: keepPreviousData,
    staleTime: Infinity,
  })

export const useWordRhythms = () =>
  useQuery({ queryKey: ['words'], queryFn: () => answer(api.GET('/api/styles/words')), staleTime: Infinity })

/** Everything that schools do differently and that is one choice each. */
export const useStyleSettings = () =>
  useQuery({
    queryKey: ['style-settings'],
    queryFn: () => answer(api.GET('/api/styles/settings')),
    staleTime: Infinity,
  }).data ?? []

export const useAddStyle = () =>
  useChange<{ name: string; style: HouseStyle }, NamedStyle>(
    (body) => answer(api.POST('/api/styles', { body })),
    'style',
  )
export const useSaveStyle = () =>
  useChange<NamedStyle, NamedStyle>(
    ({ id, version, name, style }) =>
      answer(api.PUT('/api/styles/{id}', { ...byId(id), body: { version, name, style } })),
    'style',
  )
export const useUseStyle = () =>
  useChange<number, unknown>((id) => answer<unknown>(api.POST('/api/styles/{id}/current', byId(id))), 'style')
export const useDuplicateStyle = () =>
  useChange<number, NamedStyle>((id) => answer(api.POST('/api/styles/{id}/duplicate', byId(id))), 'style')
export const useRestoreStyle = () =>
  useChange<number, unknown>((id) => answer<unknown>(api.POST('/api/styles/{id}/restore', byId(id))), 'style')
export const useDeleteStyle = () =>
  useChange<number, unknown>((id) => answer<unknown>(api.DELETE('/api/styles/{id}', byId(id))), 'style')
