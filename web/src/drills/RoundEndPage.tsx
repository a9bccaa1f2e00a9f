import { useQuery } from '@tanstack/react-query'
import type { ReactNode } from 'react'
import { Button } from '../ui/Button'
import { Refused } from '../ui/Said'
import type { Given, Judge } from './queries'

const HEADINGS: Record<string, string> = { all: 'All of them', most: 'Most of them', morePractice: 'A start' }

/** The end of a round: how many were right, and what to look at. */
export function RoundEndPage({ judge, given, ways }: { judge: Judge; given: readonly Given[]; ways: ReactNode }) {
  const end = useQuery({
    queryKey: ['round-end', given],
    queryFn: () => judge.end(given),
    enabled: given.length > 0,
    staleTime: Infinity,
  })
  return (
    <section className="mx-auto flex max-w-2xl flex-col items-start gap-5 px-4 py-10 md:px-6" aria-live="polite">
      {end.error && (
        <>
          <Refused>{end.error.message}</Refused>
          <Button onClick={() => void end.refetch()}>Try again</Button>
        </>
      )}
      {end.data && (
        <>
          <h1 className="text-title" data-grade={end.data.grade}>
            {HEADINGS[end.data.grade] ?? 'Done'}
          </h1>
          <p className="text-xl">{end.data.words}</p>
          {end.data.lookAt.length > 0 && (
            <div>
              <h2 className="mb-1 text-lg">What to look at</h2>
              <ul className="flex list-disc flex-col gap-1 pl-5">
                {end.data.lookAt.map((words) => (
                  <li key={words}>{words}</li>
                ))}
              </ul>
            </div>
          )}
        </>
      )}
      <div className="flex flex-wrap gap-3">{ways}</div>
    </section>
  )
}
