import { useState } from 'react'
import { useParams } from 'react-router'
import type { Plan, Stage } from '../api/client'
import { Asked } from '../ui/Asked'
import { Button } from '../ui/Button'
import { Select } from '../ui/Field'
import { InstrumentChoice } from '../ui/InstrumentChoice'
import { PAGE_EDGE, PageHead } from '../ui/Page'
import { Screen } from '../ui/Screen'
import { TextLink } from '../ui/TextLink'
import { useToast } from '../ui/toasts'
import { useSmall } from '../ui/useSmall'
import { HowItCame } from './HowItCame'
import { PlanBoard } from './PlanBoard'
import { PlanChip } from './PlanChip'
import { useClass, usePlan, useStages, useStart, useTakeBack, useTick } from '../register/queries'

/** What a class knows, as a plan to tick: each section's fingerboard, and what all learn together. */
export function PlanScreen() {
  const id = Number(useParams().id)
  return <OnePlan key={id} id={id} />
}

function OnePlan({ id }: { id: number }) {
  const of = useClass(id)
  const plan = usePlan(id)
  const tick = useTick(id)
  const toast = useToast()
  const small = useSmall()
  const [shown, setShown] = useState<string | null>(null)
  const set = (thing: string, known: boolean) =>
    tick.mutate(known ? { add: [], remove: [thing] } : { add: [thing], remove: [] }, {
      onError: (problem) => toast({ text: problem.message }),
    })
  const sections = plan.data?.sections ?? []
  const one = sections.find((s) => s.instrument.id === shown) ?? sections[0]
  return (
    <Screen
      title="What the class knows"
      className="min-h-0 flex-1 overflow-y-auto lg:grid lg:grid-cols-[minmax(0,1fr)_19rem] lg:overflow-hidden"
    >
      <div className={`flex flex-col pb-6 ${PAGE_EDGE} lg:min-h-0 lg:overflow-y-auto`}>
        <PageHead
          title="What the class knows"
          back={{ to: `/classes/${id}`, words: of.data?.summary.name ?? 'The class' }}
          actions={<StartFrom id={id} />}
        />
        <Asked of={plan}>
          <div className="flex flex-col gap-4">
            {plan.data && sections.length === 0 && (
              <p>
                There is nobody in this class yet. <TextLink to={`/classes/${id}`}>Add learners</TextLink>
              </p>
            )}
            {small && one && sections.length > 1 && (
              <InstrumentChoice
                instruments={sections.map((s) => s.instrument)}
                value={one.instrument.id}
                onChange={setShown}
              />
            )}
            <div className="grid grid-cols-[repeat(auto-fit,minmax(12.5rem,1fr))] gap-x-7 gap-y-5">
              {(small ? (one ? [one] : []) : sections).map((section) => (
                <section key={section.instrument.id} aria-label={section.instrument.name} className="max-w-80">
                  {!small && <h2 className="text-xl">{section.instrument.name}</h2>}
                  <PlanBoard section={section} onTick={set} />
                  <Chips label="Fingers" things={section.fingers} onTick={set} />
                  <Chips label="Positions" things={section.positions} onTick={set} />
                </section>
              ))}
            </div>
            {plan.data && <Shared parts={plan.data.shared} onTick={set} />}
          </div>
        </Asked>
      </div>
      <aside
        aria-labelledby="came"
        className="border-line px-4 py-4 max-lg:border-t md:px-6 lg:min-h-0 lg:overflow-y-auto lg:border-l"
      >
        {plan.data && <HowItCame id={id} changes={plan.data.changes} />}
      </aside>
    </Screen>
  )
}

/** Everything up to a stage of the usual order at once. */
function StartFrom({ id }: { id: number }) {
  const stages = useStages().data ?? []
  const [stage, setStage] = useState<Stage>('firstFingers')
  const start = useStart(id)
  const back = useTakeBack(id)
  const toast = useToast()
  return (
    <form
      className="flex max-w-full flex-wrap items-center gap-2"
      onSubmit={(e) => {
        e.preventDefault()
        start.mutate(stage, {
          onSuccess: (plan) => {
            const made = plan.changes[0]
            toast({
              text:
                made && made.added.length > 0 ? 'Everything up to there is ticked.' : 'All of that is ticked already.',
              ...(made && {
                action: { label: 'Undo', run: () => back.mutate({ change: made.id, back: true }) },
              }),
            })
          },
          onError: (problem) => toast({ text: problem.message }),
        })
      }}
    >
      <Select
        aria-label="Stage of the usual order"
        width="w-88"
        value={stage}
        options={stages.map((s, i) => ({ value: s.stage, label: `${i + 1}  ${s.name}` }))}
        onChoose={setStage}
      />
      <Button size="strip" type="submit" disabled={start.isPending}>
        Tick all up to here
      </Button>
    </form>
  )
}

type OnTick = (thing: string, known: boolean) => void

function Chips({
  label,
  things,
  onTick,
}: {
  label: string
  things: Plan['sections'][number]['fingers']
  onTick: OnTick
}) {
  return (
    <div role="group" aria-label={label} className="mt-1.5 flex flex-wrap items-center gap-1">
      {things.map((t) => (
        <PlanChip key={t.thing} thing={t} onTick={onTick} />
      ))}
    </div>
  )
}

/** What all of a class learn together. */
function Shared({ parts, onTick }: { parts: Plan['shared']; onTick: OnTick }) {
  return (
    <section aria-label="All together" className="grid gap-x-8 gap-y-2 border-t border-line pt-3 xl:grid-cols-2">
      {parts.map((part) => (
        <div
          key={part.part}
          role="group"
          aria-label={part.name}
          className="grid grid-cols-[6.5rem_minmax(0,1fr)] items-start gap-x-2"
        >
          <h2 className="pt-1 font-body text-sm font-bold text-soft">{part.name}</h2>
          <div className="flex flex-wrap gap-1">
            {part.things.map((t) => (
              <PlanChip key={t.thing} thing={t} onTick={onTick} />
            ))}
          </div>
        </div>
      ))}
    </section>
  )
}
