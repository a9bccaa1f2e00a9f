import { useRef } from 'react'
import { useParams, useSearchParams } from 'react-router'
import { useClass, useWork } from '../register/queries'
import { useInstruments } from '../api/instruments'
import { useWidth } from '../ui/useWidth'
import { Asked } from '../ui/Asked'
import { Page } from '../ui/Page'
import { TextLink } from '../ui/TextLink'
import { BringPiece } from './BringPiece'
import { PieceRow } from './PieceRow'
import { usePieces, type ClassPiece } from './queries'
import { useSound } from './useSound'

const ORDER: readonly ClassPiece['state'][] = ['handedIn', 'givenBack', 'writing', 'accepted']
const WORDS: Record<ClassPiece['state'], string> = {
  handedIn: 'To read',
  givenBack: 'Given back',
  writing: 'Being written',
  accepted: 'Accepted',
}
const WIDEST_PX = 640

/** What a class has composed: rules met, bars, sound and remarks at a glance. */
export function PiecesScreen() {
  const id = Number(useParams().id)
  const [search] = useSearchParams()
  const work = search.get('work')
  const one = useClass(id)
  const asked = usePieces(id)
  const set = useWork(id).data?.filter((w) => w.taskId !== null) ?? []
  const names = new Map(useInstruments().data?.map((i) => [i.id, i.name]))
  const place = useRef<HTMLDivElement>(null)
  const width = Math.min(WIDEST_PX, useWidth(place))
  const sound = useSound()
  const all = asked.data?.pieces ?? []
  const pieces = work === null ? all : all.filter((p) => p.workId === Number(work))
  const only = set.find((w) => w.id === Number(work))
  const nothing = one.data?.learners.filter(
    (l) => only?.for.includes(l.id) && pieces.every((p) => p.learnerId !== l.id),
  )
  return (
    <Page
      title={only ? only.title : 'Pieces'}
      back={{ to: `/classes/${id}`, words: one.data?.summary.name ?? 'The class' }}
      actions={
        <>
          {work !== null && <TextLink to={`/classes/${id}/pieces`}>All pieces</TextLink>}
          {one.data && set.length > 0 && <BringPiece one={one.data} set={set} />}
          <TextLink to={`/classes/${id}/booklet`}>The booklet</TextLink>
        </>
      }
    >
      <div className="flex flex-col gap-5">
        <div ref={place} />
        <Asked of={asked}>
          {asked.data && pieces.length === 0 && (
            <p>
              Nothing is written yet. Set a task from the <TextLink to="/desk">writing desk</TextLink>; the learners
              find it on their pages.
            </p>
          )}
          {ORDER.map((state) => {
            const here = pieces.filter((p) => p.state === state)
            return (
              here.length > 0 && (
                <section key={state} aria-labelledby={`pieces-${state}`}>
                  <h2 id={`pieces-${state}`} className="text-xl">
                    {WORDS[state]} <span className="text-base text-soft">{here.length}</span>
                  </h2>
                  <ul className="border-t border-line">
                    {here.map((p) => (
                      <PieceRow
                        key={p.id}
                        id={id}
                        piece={p}
                        instrument={names.get(p.instrument) ?? p.instrument}
                        ready={asked.data?.ready ?? []}
                        widthPx={width}
                        withTask={work === null}
                        playing={sound.playing === p.id}
                        onPlay={() => sound.toggle(p.id, p.sound)}
                      />
                    ))}
                  </ul>
                </section>
              )
            )
          })}
          {nothing && nothing.length > 0 && (
            <p className="text-sm">Nothing yet of {nothing.map((l) => l.nickname).join(', ')}.</p>
          )}
        </Asked>
      </div>
    </Page>
  )
}
