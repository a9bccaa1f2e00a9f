import { useQuery } from '@tanstack/react-query'
import { useRef } from 'react'
import { useParams } from 'react-router'
import { Ladders } from '../ladder'
import { useWidth } from '../ui/useWidth'
import { Asked } from '../ui/Asked'
import { Button } from '../ui/Button'
import { useKept } from '../offline/kept'
import { Screen } from '../ui/Screen'
import { TextLink } from '../ui/TextLink'
import { learnLadders } from './queries'

const STAFF_MM = 9
const NONE: readonly string[] = []

/** The trouble spots of a tune that is set, to climb rung by rung; what is ticked stays on this phone. */
export function LearnLadders() {
  const params = useParams()
  const link = params.link ?? ''
  const tune = Number(params.tune)
  const asked = useQuery(learnLadders(link, tune))
  const [ticked, keep] = useKept<readonly string[]>(`learn.${link}.${tune}.ladders`)
  const on = ticked ?? NONE
  const view = useRef<HTMLDivElement>(null)
  const width = useWidth(view)
  return (
    <Screen title="Trouble spots" className="h-dvh overflow-y-auto bg-sheet px-3 py-3">
      <div className="mx-auto max-w-2xl">
        <TextLink to={`/learn/${link}/tunes/${tune}`}>Back to the tune</TextLink>
        <h1 className="text-title">Trouble spots</h1>
        <div ref={view} />
        <Asked of={asked}>
          {asked.data && (
            <>
              <p className="text-soft">
                {asked.data.title}. Three clean times, slow, then one rung up. Twice not clean: one rung down. Rest your
                hand in between; stop when it hurts.
              </p>
              {width > 0 && (
                <Ladders
                  of={asked.data}
                  widthPx={width}
                  staffMm={STAFF_MM}
                  ticks={{
                    on,
                    toggle: (box) => keep(on.includes(box) ? on.filter((b) => b !== box) : [...on, box]),
                  }}
                />
              )}
              {on.length > 0 && (
                <p className="mt-4">
                  <Button onClick={() => keep(null)}>Begin again with empty boxes</Button>
                </p>
              )}
            </>
          )}
        </Asked>
      </div>
    </Screen>
  )
}
