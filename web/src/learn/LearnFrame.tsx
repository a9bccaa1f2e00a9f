import { useQueryClient } from '@tanstack/react-query'
import { Suspense, useMemo } from 'react'
import { Outlet, useLocation, useParams } from 'react-router'
import { useCourier, WhoseOutbox } from '../offline/useOutbox'
import { Mishaps } from '../ui/Mishap'
import { TextLink } from '../ui/TextLink'
import { draftSender } from './drafts'
import { reportSender } from './reports'

/** Around every page of a learner: what waits is sent from whichever is open. */
export function LearnFrame() {
  const { link = '' } = useParams()
  const queries = useQueryClient()
  const senders = useMemo(() => [reportSender(link, queries), draftSender(link, queries)], [link, queries])
  return (
    <Mishaps address={useLocation().pathname} home={<TextLink to={`/learn/${link}`}>Back to my week</TextLink>}>
      <WhoseOutbox value={useCourier(link, senders)}>
        <Suspense>
          <Outlet />
        </Suspense>
      </WhoseOutbox>
    </Mishaps>
  )
}
