import { useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { useOutbox } from '../offline/useOutbox'
import { Button } from '../ui/Button'
import { Refused } from '../ui/Said'
import { several } from '../ui/several'
import { TextButton } from '../ui/TextLink'
import { forgetLearner } from './forget'

/** Leaves nothing of a learner on a device that others use too. */
export function LeaveDevice({ link }: { link: string }) {
  const [asks, setAsks] = useState(false)
  const { waiting, sendNow } = useOutbox()
  const queries = useQueryClient()
  const navigate = useNavigate()
  if (!asks)
    return (
      <section aria-label="On a phone that is not yours">
        <TextButton
          onClick={() => {
            setAsks(true)
            void sendNow()
          }}
        >
          This phone is not mine: leave
        </TextButton>
      </section>
    )
  return (
    <section aria-label="On a phone that is not yours" className="flex flex-col items-start gap-3">
      <p>
        Coppia forgets here what you saw, began and wrote. What your teacher has, stays with your teacher. You come back
        with your link or your card.
      </p>
      {waiting.length > 0 && (
        <Refused>
          {several(waiting.length, 'thing')} could not be sent yet and would be lost. Wait until the network is there,
          if you can.
        </Refused>
      )}
      <span className="flex gap-3">
        <Button
          kind="go"
          onClick={() => {
            void navigate('/learn', { replace: true })
            void forgetLearner(link, queries)
          }}
        >
          {waiting.length > 0 ? 'Leave all the same' : 'Leave'}
        </Button>
        <Button onClick={() => setAsks(false)}>Stay</Button>
      </span>
    </section>
  )
}
