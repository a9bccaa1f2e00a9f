import { useQuery } from '@tanstack/react-query'
import { useRef, useState } from 'react'
import { useParams, useSearchParams } from 'react-router'
import { answer, api } from '../api/client'
import { begun, DeskView, isEmpty, KeptVersions, useDesk, usePlayPiece } from '../desk'
import { Asked } from '../ui/Asked'
import { Button } from '../ui/Button'
import { MoreItem, MoreMenu } from '../ui/MoreMenu'
import { Screen } from '../ui/Screen'
import { Refused } from '../ui/Said'
import { TextButton, TextLink } from '../ui/TextLink'
import { useToast } from '../ui/toasts'
import { useLearnDesk, type LearnDeskView } from './queries'
import { useKeepPiece } from './useKeepPiece'
import { dayInWords } from '../calendar/days'

/** The writing desk of a learner: a piece under the rules of a task, kept at every note. */
export function LearnDesk() {
  const params = useParams()
  const link = params.link ?? ''
  const work = Number(params.work)
  const [search] = useSearchParams()
  const level = search.get('level')
  const desk = useLearnDesk(link, work, level === null ? null : Number(level))
  return (
    <Screen title={desk.data?.title ?? 'A piece'} className="flex h-dvh flex-col">
      <Asked of={desk}>
        {desk.data && <Open key={`${desk.data.level} ${desk.data.state}`} link={link} seen={desk.data} />}
      </Asked>
      {!desk.data && (
        <p className="px-4 py-4">
          <TextLink to={`/learn/${link}`}>Back to my week</TextLink>
        </p>
      )}
    </Screen>
  )
}

const STATES: Record<LearnDeskView['state'], string | null> = {
  writing: null,
  handedIn: 'Handed in: your teacher has it now.',
  givenBack: 'Your teacher gave it back: look at the remarks, and go on.',
  accepted: 'Your teacher has taken it. Well done.',
}

function Open({ link, seen }: { link: string; seen: LearnDeskView }) {
  const { task } = seen
  const locked = seen.state === 'handedIn' || seen.state === 'accepted'
  const kept = useKeepPiece(link, seen)
  const play = usePlayPiece(task, kept.piece)
  const desk = useDesk(task, kept.piece, kept.change, locked, play.tap)
  const [finished, setFinished] = useState(locked)
  const [versions, setVersions] = useState(false)
  const broken = kept.check.findings.length
  return (
    <>
      <DeskView
        desk={desk}
        play={play}
        check={kept.check}
        finished={finished}
        remarks={seen.remarks}
        away={kept.away}
        head={<Head link={link} seen={seen} desk={desk} onVersions={() => setVersions(true)} />}
        foot={
          <div className="mt-4 flex flex-col items-start gap-2 border-t border-line pt-3">
            {STATES[seen.state] && (
              <p role="status" className="font-bold" data-testid="desk-state">
                {STATES[seen.state]}
              </p>
            )}
            {kept.problem && <Refused>{kept.problem}</Refused>}
            {kept.waits && kept.away && (
              <p role="status" className="text-sm text-soft">
                This piece is on your phone. It is sent as soon as the network is there.
              </p>
            )}
            {!locked && !finished && (
              <Button kind="go" disabled={isEmpty(task, kept.piece)} onClick={() => setFinished(true)}>
                It is finished
              </Button>
            )}
            {!locked && finished && (
              <>
                <Button kind="go" onClick={() => void kept.handIn()}>
                  {broken === 0 ? 'Hand it in' : 'Hand it in all the same'}
                </Button>
                <Button onClick={() => setFinished(false)}>I write on</Button>
              </>
            )}
            <Levels link={link} seen={seen} />
          </div>
        }
      />
      {versions && (
        <Versions link={link} seen={seen} onTake={locked ? null : desk.replace} onClose={() => setVersions(false)} />
      )}
    </>
  )
}

function Head({
  link,
  seen,
  desk,
  onVersions,
}: {
  link: string
  seen: LearnDeskView
  desk: ReturnType<typeof useDesk>
  onVersions: () => void
}) {
  const toast = useToast()
  const file = useRef<HTMLInputElement>(null)
  const { task } = seen
  const take = async (from: File) => {
    try {
      const taken = await answer(
        api.POST('/api/learn/{link}/desk/{work}/take', {
          params: { path: { link, work: seen.work } },
          body: { level: seen.level, text: await from.text() },
        }),
      )
      desk.replace(taken.piece)
    } catch (problem) {
      toast({ text: `${from.name}: ${problem instanceof Error ? problem.message : String(problem)}` })
    }
  }
  return (
    <header className="flex flex-wrap items-start justify-between gap-x-6 border-b border-line px-3 py-2 md:px-5">
      <div className="min-w-0">
        <TextLink to={`/learn/${link}`}>Back to my week</TextLink>
        <h1 className="text-2xl leading-tight">{seen.title}</h1>
        <p className="text-sm text-soft">
          {task.keyName} · {task.beats}/{task.unit} · by {dayInWords(seen.due)}
        </p>
      </div>
      <div className="flex items-start gap-2 max-md:w-full max-md:justify-between">
        <details className="max-w-md text-sm">
          <summary className="min-h-6 cursor-pointer font-bold text-spruce max-md:min-h-11">The rules</summary>
          <ul className="list-disc pl-5">
            {task.rules.map((rule) => (
              <li key={rule}>{rule}</li>
            ))}
          </ul>
        </details>
        <MoreMenu end button="More">
          <MoreItem onClick={onVersions}>How it was before</MoreItem>
          {!desk.locked && <MoreItem onClick={() => desk.replace(begun(task))}>Begin anew</MoreItem>}
          {!desk.locked && <MoreItem onClick={() => file.current?.click()}>Take a piece from a file</MoreItem>}
        </MoreMenu>
        <input
          ref={file}
          type="file"
          accept=".abc,.musicxml,.xml,.txt"
          className="hidden"
          aria-label="Take a piece from a file"
          onChange={(e) => {
            const chosen = e.target.files?.[0]
            e.target.value = ''
            if (chosen) void take(chosen)
          }}
        />
      </div>
    </header>
  )
}

/** Levels that were begun, and the next one, by choice. */
function Levels({ link, seen }: { link: string; seen: LearnDeskView }) {
  const others = seen.levels.filter((l) => l !== seen.level)
  if (others.length === 0 && seen.next === null) return null
  const way = (level: number) => `/learn/${link}/desk/${seen.work}?level=${level}`
  return (
    <div className="mt-2 text-sm">
      <p className="text-soft">
        Level {seen.level}: {seen.levelWords.toLowerCase()}
      </p>
      <ul>
        {others.map((l) => (
          <li key={l}>
            <TextLink to={way(l)}>My piece on level {l}</TextLink>
          </li>
        ))}
        {seen.next !== null && (
          <li>
            <TextLink to={way(seen.next)}>Go on to level {seen.next}</TextLink>
          </li>
        )}
      </ul>
    </div>
  )
}

function Versions({
  link,
  seen,
  onTake,
  onClose,
}: {
  link: string
  seen: LearnDeskView
  onTake: ReturnType<typeof useDesk>['replace'] | null
  onClose: () => void
}) {
  const asked = useQuery({
    queryKey: ['learn-versions', link, seen.work, seen.level],
    queryFn: () =>
      answer(
        api.GET('/api/learn/{link}/desk/{work}/versions', {
          params: { path: { link, work: seen.work }, query: { level: seen.level } },
        }),
      ),
    staleTime: 0,
  })
  if (!asked.data)
    return asked.error ? (
      <p role="alert" className="px-4 pb-2">
        {asked.error.message} <TextButton onClick={onClose}>Close</TextButton>
      </p>
    ) : null
  return <KeptVersions task={seen.task} versions={asked.data} onTake={onTake} onClose={onClose} />
}
