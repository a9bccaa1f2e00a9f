import { useQuery } from '@tanstack/react-query'
import { answer, api, type CardKind, type CardStage, type DrillView } from '../api/client'

/** What rounds of cards there are. */
export const useCardChoices = () =>
  useQuery({ queryKey: ['cards'], queryFn: () => answer(api.GET('/api/cards')), staleTime: Infinity })

export type Deal = {
  instrument: string
  card: CardKind
  stage: CardStage
  string: number
  fifths: number
  seed: number
}

/** A round of twelve; the same deal gives the same cards. */
export const useDeal = (deal: Deal | null) =>
  useQuery({
    queryKey: ['deal', deal],
    queryFn: (): Promise<DrillView> => answer(api.POST('/api/cards/round', { body: deal as Deal })),
    enabled: deal !== null,
    staleTime: Infinity,
  })
