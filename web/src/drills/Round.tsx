import { useEffect, useEffectEvent, useState, type ReactNode } from 'react'
import type { DrillQuestion, DrillView, Instrument, Judgement } from '../api/client'
import { Button } from '../ui/Button'
import { focusScreen } from '../ui/focus'
import { Refused } from '../ui/Said'
import { Strip, StripEnd } from '../ui/Strip'
import { Help } from './Help'
import { Progress } from './Progress'
import { judgeOf, type Judge, type Reply } from './queries'
import { RoundEndPage } from './RoundEndPage'
import { Surface } from './Surface'
import { useRound } from './useRound'

/** What a press of Enter belongs to by itself. */
const PRESSES = 'button, a, input, select, textarea, [role=button], [role=menuitem]'

/** A round of questions, one at a time, and how it went. */
export function Round({
  name,
  of,
  view,
  instrument,
  lead,
  ways,
  judge = judgeOf(instrument.id),
}: {
  /** Where the round is kept. */
  name: string
  /** Tells its questions from others. */
  of: string
  view: DrillView
  instrument: Instrument
  /** The way out. */
  lead: ReactNode
  /** Ways on from the end. */
  ways: (again: () => void) => ReactNode
  /** Who says what happened; a teacher’s own round is not recorded. */
  judge?: Judge
}) {
  const round = useRound(name, of, judge, view.questions)
  const { asked, at, isFollowUp, verdict } = round
  const [reply, setReply] = useState<Reply | null>(null)
  const check = () => reply && void round.check(reply)
  const goOn = () => {
    setReply(null)
    round.goOn()
    // The next question has keys of its own.
    focusScreen()
  }
  const onEnter = useEffectEvent((event: KeyboardEvent) => {
    const target = event.target as HTMLElement
    if (event.key !== 'Enter' || event.defaultPrevented || target.closest(PRESSES)) return
    event.preventDefault()
    if (verdict) goOn()
    else check()
  })
  useEffect(() => {
    window.addEventListener('keydown', onEnter)
    return () => window.removeEventListener('keydown', onEnter)
  }, [])
  return (
    <>
      <Strip lead={lead}>
        <span className="text-soft">
          {instrument.name} · {view.heading}
        </span>
        <StripEnd>
          <Progress questions={view.questions.length} given={round.given} at={at} />
        </StripEnd>
      </Strip>
      <div className="min-h-0 flex-1 overflow-y-auto">
        {asked ? (
          <div className="mx-auto grid w-full max-w-5xl gap-x-10 gap-y-6 px-4 py-5 md:px-6 lg:grid-cols-[minmax(0,1fr)_17rem]">
            <section aria-labelledby="asked" className="min-w-0">
              <Question asked={asked} number={isFollowUp ? null : at + 1} of={view.questions.length} />
              <Surface
                key={`${at} ${isFollowUp}`}
                question={asked}
                desk={view.desk}
                instrument={instrument}
                onReply={setReply}
                solved={verdict !== null}
                right={verdict?.right ?? false}
              />
              {round.problem && (
                <div className="mt-4">
                  <Refused>{round.problem}</Refused>
                </div>
              )}
              <Verdict verdict={verdict} isLast={isFollowUp} />
              <div className="mt-4 flex flex-wrap items-center gap-3">
                {/* One button, so that the focus stays where it is. */}
                <Button
                  kind="go"
                  disabled={verdict === null && (!reply || round.busy)}
                  onClick={verdict ? goOn : check}
                >
                  {nameOf(asked, verdict, isFollowUp)}
                </Button>
                {!verdict && (
                  <Button disabled={round.busy} onClick={() => void round.check(null)}>
                    Show me
                  </Button>
                )}
                <span className="text-sm text-soft max-md:hidden" aria-hidden="true">
                  <kbd>Enter</kbd> {verdict ? 'goes on' : 'checks'}
                </span>
              </div>
            </section>
            <Help key={`help ${at} ${isFollowUp}`} steps={asked.help} solved={verdict !== null} />
          </div>
        ) : (
          <RoundEndPage judge={judge} given={round.given} ways={ways(round.startAgain)} />
        )}
      </div>
    </>
  )
}

/** What the green button does. */
function nameOf(asked: DrillQuestion, verdict: Judgement | null, isFollowUp: boolean) {
  if (!verdict) return 'Check'
  if (isFollowUp || !verdict.next) return 'Go on'
  return verdict.next.kind === asked.kind ? 'Try once more' : 'Once more, another way'
}

function Question({ asked, number, of }: { asked: DrillQuestion; number: number | null; of: number }) {
  return (
    <div aria-live="polite" className="mb-3">
      <p className="text-sm text-soft">{number === null ? 'Once more' : `Question ${number} of ${of}`}</p>
      <h1 id="asked" className="text-2xl">
        {asked.instruction}
      </h1>
      {asked.prompt && <p className="mt-1 text-xl font-bold">{asked.prompt}</p>}
    </div>
  )
}

/** What happened; where it is not asked once more, the answer too. */
function Verdict({ verdict, isLast }: { verdict: Judgement | null; isLast: boolean }) {
  const told = verdict && (!verdict.words || (isLast && !verdict.right)) && verdict.answer
  return (
    <div role="status" data-testid="verdict">
      {verdict && (
        <p
          className={`mt-4 border-l-4 px-4 py-3 text-lg ${verdict.right ? 'border-spruce bg-spruce-pale' : 'border-brick bg-brick-pale'}`}
          data-mistake={verdict.mistake}
        >
          {[verdict.words, told && `The answer: ${told}.`].filter(Boolean).join(' ')}
        </p>
      )}
    </div>
  )
}
