import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { useParams, useSearchParams } from 'react-router'
import { answer, api } from '../api/client'
import { Asked } from '../ui/Asked'
import { Button } from '../ui/Button'
import { useKept } from '../offline/kept'
import { Screen } from '../ui/Screen'
import { TextLink } from '../ui/TextLink'
import { DeskView } from './DeskView'
import { begun, isEmpty, type DeskTask, type PieceDoc } from './piece'
import { useTask, type TaskDoc } from './queries'
import { useDesk } from './useDesk'
import { usePlayPiece } from './usePlayPiece'

/** A teacher tries a task, as a learner sees it; nothing is handed in. */
export function TryTask() {
  const id = Number(useParams().id)
  const [search] = useSearchParams()
  const task = useTask(id)
  const mine = task.data?.for.find((t) => t.instrument === search.get('for')) ?? task.data?.for[0]
  return (
    <Screen title={`Try ${task.data?.title ?? 'a task'}`} className="flex min-h-0 flex-1 flex-col">
      <Asked of={task}>
        {mine && task.data && (
          <Trial
            key={`${mine.instrument} ${task.data.version ?? ''}`}
            name={`task-try.${id}.${mine.instrument}`}
            title={task.data.title}
            id={id}
            doc={task.data.task}
            task={mine}
          />
        )}
      </Asked>
    </Screen>
  )
}

function Trial({
  name,
  title,
  id,
  doc,
  task,
}: {
  name: string
  title: string
  id: number
  doc: TaskDoc
  task: DeskTask
}) {
  const [kept, keep] = useKept<PieceDoc>(name)
  const piece = kept?.bars.length === task.bars ? kept : begun(task)
  const play = usePlayPiece(task, piece)
  const desk = useDesk(task, piece, keep, false, play.tap)
  const [finished, setFinished] = useState(false)
  const check = useQuery({
    queryKey: ['check', id, task.instrument, piece],
    queryFn: () =>
      answer(api.POST('/api/desk/check', { body: { task: doc, instrument: task.instrument, piece, text: null } })),
    placeholderData: (before) => before,
    staleTime: Infinity,
  })
  return (
    <DeskView
      desk={desk}
      play={play}
      check={check.data?.check ?? null}
      finished={finished}
      head={
        <header className="border-b border-line px-3 py-2 md:px-5">
          <TextLink to={`/desk/${id}`}>Back to the task</TextLink>
          <h1 className="text-2xl leading-tight">{title}</h1>
          <p className="text-sm text-soft">
            {task.instrumentName} · {task.keyName} · {task.beats}/{task.unit}
          </p>
        </header>
      }
      foot={
        <div className="mt-4 flex flex-col items-start gap-2 border-t border-line pt-3">
          <Button disabled={isEmpty(task, piece)} onClick={() => setFinished(!finished)}>
            {finished ? 'I write on' : 'It is finished'}
          </Button>
          <Button onClick={() => desk.replace(begun(task))}>Begin anew</Button>
        </div>
      }
    />
  )
}
