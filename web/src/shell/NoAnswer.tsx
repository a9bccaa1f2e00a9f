import { useQueryClient } from '@tanstack/react-query'
import { useInstruments } from '../api/instruments'
import { Button } from '../ui/Button'
import { Refused } from '../ui/Said'

/** Nothing can be shown without the instruments of the house: where they do not come, why, and another try for all. */
export function NoAnswer() {
  const players = useInstruments()
  const queries = useQueryClient()
  if (players.data || !players.error) return null
  return (
    <div className="no-print flex flex-wrap items-center gap-x-6 gap-y-2 border-b border-line px-4 py-3 md:px-8">
      <Refused>{players.error.message}</Refused>
      <Button onClick={() => void queries.refetchQueries({ type: 'active' })}>Try again</Button>
    </div>
  )
}
