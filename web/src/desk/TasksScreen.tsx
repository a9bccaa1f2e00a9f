import { ChevronDown } from 'lucide-react'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { useInstruments } from '../api/instruments'
import { useCurrentClass } from '../register/queries'
import { Asked } from '../ui/Asked'
import { Field, Select } from '../ui/Field'
import { MoreItem, MoreMenu } from '../ui/MoreMenu'
import { Page } from '../ui/Page'
import { TextLink } from '../ui/TextLink'
import { useToast } from '../ui/toasts'
import { useTasks } from '../api/tasks'
import { useDeleteTask, useLevels, usePieces, useRestoreTask } from './queries'
import { several } from '../ui/several'

/** Keys of the open strings that a class begins on. */
const KEYS = ['D', 'G', 'A', 'C', 'F', 'Em', 'Am'] as const

/** The writing desk of a teacher: tasks to compose under, and what learners made of them. */
export function TasksScreen() {
  const tasks = useTasks()
  const [key, setKey] = useState<string>('D')
  const levels = useLevels(key).data ?? []
  const remove = useDeleteTask()
  const restore = useRestoreTask()
  const toast = useToast()
  const navigate = useNavigate()
  const names = new Map(useInstruments().data?.map((i) => [i.id, i.name]))
  const all = names.size
  const tell = (problem: Error) => toast({ text: problem.message })
  return (
    <Page
      title="Writing desk"
      subtitle="Children compose under a few rules, hear every note, and are told at once what a rule says. There is no wrong tune."
    >
      <div className="flex flex-col gap-8">
        <Waiting />
        <section aria-labelledby="new-task">
          <div className="mb-2 flex flex-wrap items-center gap-x-6 gap-y-2">
            <h2 id="new-task" className="text-xl">
              A new task
            </h2>
            <Field label="on the key" beside>
              <Select value={key} options={KEYS.map((k) => ({ value: k, label: k }))} onChoose={setKey} />
            </Field>
          </div>
          <ol className="border-t border-line">
            {levels.map((l) => (
              <li key={l.level} className="flex items-baseline gap-4 border-b border-line py-1.5">
                <span className="w-16 shrink-0 text-sm text-soft">Level {l.level}</span>
                <TextLink to={`/desk/new?level=${l.level}&key=${encodeURIComponent(key)}`}>{l.words}</TextLink>
              </li>
            ))}
          </ol>
        </section>
        <section aria-labelledby="kept-tasks">
          <h2 id="kept-tasks" className="mb-2 text-xl">
            Kept tasks
          </h2>
          <Asked of={tasks}>
            {tasks.data?.length === 0 && (
              <p>No task is kept yet. Begin with a level above: every rule can be changed.</p>
            )}
            <ul aria-label="Kept tasks" className="border-t border-line empty:border-0">
              {tasks.data?.map((t) => (
                <li key={t.id} className="flex flex-wrap items-center gap-x-4 border-b border-line py-1">
                  <span className="min-w-0 flex-1">
                    <TextLink to={`/desk/${t.id}`}>{t.title}</TextLink>
                    <span className="block text-sm text-soft">
                      {several(t.bars, 'bar')} ·{' '}
                      {t.instruments.length === all
                        ? 'all instruments'
                        : t.instruments.map((i) => names.get(i) ?? i).join(', ')}
                    </span>
                  </span>
                  <TextLink to={`/desk/${t.id}/sheet`}>Print</TextLink>
                  <MoreMenu
                    end
                    label={`More for ${t.title}`}
                    button={
                      <>
                        More <ChevronDown size={15} />
                      </>
                    }
                  >
                    <MoreItem onClick={() => void navigate(`/desk/new?like=${t.id}`)}>Make one like it</MoreItem>
                    <MoreItem
                      grave
                      onClick={() =>
                        remove.mutate(t.id, {
                          onSuccess: () =>
                            toast({
                              text: `“${t.title}” is deleted. What was written for it stays.`,
                              action: { label: 'Undo', run: () => restore.mutate(t.id, { onError: tell }) },
                            }),
                          onError: tell,
                        })
                      }
                    >
                      Delete
                    </MoreItem>
                  </MoreMenu>
                </li>
              ))}
            </ul>
          </Asked>
        </section>
      </div>
    </Page>
  )
}

/** What the class that is chosen has handed in. */
function Waiting() {
  const [current] = useCurrentClass()
  const pieces = usePieces(current?.id ?? null).data?.pieces ?? []
  if (!current) return null
  const read = pieces.filter((p) => p.state === 'handedIn').length
  return (
    <section aria-labelledby="class-pieces" className="flex flex-wrap items-baseline gap-x-6 gap-y-1">
      <h2 id="class-pieces" className="text-xl">
        {current.name}
      </h2>
      <TextLink to={`/classes/${current.id}/pieces`}>
        {pieces.length === 0
          ? 'No pieces yet'
          : read > 0
            ? `${read} ${read === 1 ? 'piece' : 'pieces'} to read`
            : `${pieces.length} ${pieces.length === 1 ? 'piece' : 'pieces'}`}
      </TextLink>
      <TextLink to={`/classes/${current.id}/booklet`}>The booklet</TextLink>
    </section>
  )
}
