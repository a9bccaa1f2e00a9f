import { askAnew } from '../api/useChange'
import { useQueryClient } from '@tanstack/react-query'
import { useEffect, type ReactNode } from 'react'
import { Refusal } from '../api/client'
import { SignIn } from './SignIn'
import { useMe } from './queries'

const isEnded = (problem: unknown) => problem instanceof Refusal && problem.status === 401

/**
 * Lets in whoever is signed in, and everybody where nobody needs to be. A sign-in that ends meanwhile covers the screen
 * and takes nothing from it.
 */
export function Door({ children }: { children: ReactNode }) {
  const me = useMe().data
  const queries = useQueryClient()
  useEffect(() => {
    const look = (problem: unknown) => {
      if (isEnded(problem)) void askAnew(queries, 'signedIn')
    }
    const ends = [
      queries.getQueryCache().subscribe(({ type, query }) => {
        if (type === 'updated') look(query.state.error)
      }),
      queries.getMutationCache().subscribe(({ mutation }) => look(mutation?.state.error)),
    ]
    return () => ends.forEach((end) => end())
  }, [queries])
  const closed = me?.required === true && me.name === null
  return (
    <>
      <div inert={closed} className="contents">
        {children}
      </div>
      {closed && <SignIn />}
    </>
  )
}
