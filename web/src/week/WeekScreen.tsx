import { useClass, useClassNames, useCurrentClass } from '../register/queries'
import { Asked } from '../ui/Asked'
import { Page } from '../ui/Page'
import { AskFirstOfClass } from '../logbook'
import { FirstWays } from './FirstWays'
import { NextLesson } from './NextLesson'
import { NextTune } from './NextTune'
import { SetThisWeek } from './SetThisWeek'
import { ToRead } from './ToRead'

/** Where Coppia opens: what the week of the class is about. */
export function WeekScreen() {
  const names = useClassNames()
  const [current, choose] = useCurrentClass()
  const all = names.data ?? []
  return (
    <Page
      title="This week"
      back={current ? { to: `/classes/${current.id}`, words: current.name } : undefined}
      subtitle={names.data && !current && all.length === 0 && 'For string teachers: a tune becomes string and finger.'}
    >
      <Asked of={names}>
        {current ? (
          <OfClass key={current.id} id={current.id} />
        ) : (
          names.data && <FirstWays classes={all} onChoose={choose} />
        )}
      </Asked>
    </Page>
  )
}

function OfClass({ id }: { id: number }) {
  const of = useClass(id)
  return (
    <Asked of={of}>
      <div className="grid gap-x-14 gap-y-8 lg:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]">
        <div className="flex flex-col gap-8">
          <NextLesson id={id} />
          <SetThisWeek id={id} />
        </div>
        <div className="flex flex-col gap-8">
          <AskFirstOfClass id={id} />
          <ToRead id={id} />
          <NextTune id={id} instrument={of.data?.plays[0]?.instrument} />
        </div>
      </div>
    </Asked>
  )
}
