import { useQuery } from '@tanstack/react-query'
import { answer, api, type ScaleForm } from './client'

/** Every form of the scale with its fifteen keys, from seven flats to seven sharps, named in the house style. */
export const useScaleForms = () =>
  useQuery({ queryKey: ['keys'], queryFn: () => answer(api.GET('/api/keys')), staleTime: Infinity }).data ?? []

/** The keys of one form to choose from, each with its signature. */
export function useKeyOptions(form: ScaleForm) {
  const keys = useScaleForms().find((f) => f.form === form)?.keys ?? []
  return keys.map((k) => ({ value: k.fifths, name: k.name, label: `${k.name}, ${k.signature}` }))
}
