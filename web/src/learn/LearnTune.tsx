import { useQuery } from '@tanstack/react-query'
import { useMemo, useRef } from 'react'
import { useParams } from 'react-router'
import { EngravingMishap } from '../engraving/EngravingMishap'
import { engravingOptions, type RowId } from '../engraving/layout'
import { fitOf, withRoom } from '../engraving/room'
import { TunePages } from '../engraving/TunePages'
import { useEngraving } from '../engraving/useEngraving'
import { Working } from '../engraving/Working'
import { HearBar } from '../hear/HearBar'
import { useHear } from '../hear/useHear'
import { useLoop } from '../stand/useLoop'
import { useWalk } from '../stand/useWalk'
import { useWidth } from '../stand/useWidth'
import { Asked } from '../ui/Asked'
import { Screen } from '../ui/Screen'
import { TextLink } from '../ui/TextLink'
import { Ladder } from './Ladder'
import { useLearn, learnTune, useReports } from './queries'
import { localMoment, newKey, withPractice } from './reports'

const ROWS: readonly RowId[] = ['pair', 'name']
const EDGE_PX = 8
const NONE: readonly string[] = []

/** A tune that is set: its notes with string and finger, to be heard slowly, in a loop, over a drone, and up its ladder. */
export function LearnTune() {
  const params = useParams()
  const link = params.link ?? ''
  const tune = Number(params.tune)
  const asked = useQuery(learnTune(link, tune))
  const work = useLearn(link).data?.work.find((w) => w.tuneId === tune && w.ladder !== null)
  const { add } = useReports(link)
  const reading = asked.data
  const walk = useWalk(reading)
  const hear = useHear(reading, walk.pick)
  const loop = useLoop(hear, walk)
  const paper = useRef<HTMLDivElement>(null)
  const width = useWidth(paper)
  const room = width - EDGE_PX
  const fit = useMemo(() => (reading ? fitOf(reading, ROWS, room) : 1), [reading, room])
  const engraving = useEngraving(
    useMemo(() => reading && withRoom(reading.musicXml, reading, ROWS), [reading]),
    width ? engravingOptions(room / fit, ROWS) : null,
    'tune',
  )
  const { now } = walk
  const here = useMemo(() => (now ? [now.id, ...now.tiedIds] : NONE), [now])
  return (
    <Screen className="flex h-dvh flex-col">
      <div className="paper-scroll min-h-0 flex-1 overflow-x-hidden overflow-y-auto bg-sheet px-2 pt-3 pb-6">
        <div className="px-2">
          <TextLink to={`/learn/${link}`}>Back to my week</TextLink>
          <h1 className="text-title">{reading?.title}</h1>
          {reading && (
            <p className="text-sm text-soft">{[reading.keyName, reading.keyWords].filter(Boolean).join(' · ')}</p>
          )}
          {work?.ladder && (
            <Ladder
              name={`${link}.${tune}`}
              ladder={work.ladder}
              onTempo={(tempo) => hear.set({ tempo })}
              onReached={(tempo) => {
                const at = localMoment(new Date())
                add((waiting) => withPractice(waiting, { key: newKey(at), at, minutes: 0, tuneId: tune, tempo }))
              }}
            />
          )}
        </div>
        <Asked of={asked}>
          <div ref={paper} className="min-h-40">
            <EngravingMishap engraving={engraving} source={undefined} />
            {reading && (
              <TunePages
                engraving={engraving}
                reading={reading}
                rows={ROWS}
                fit={fit}
                now={here}
                same={NONE}
                onPick={walk.pick}
              />
            )}
            {(!reading || engraving.working) && !engraving.error && (
              <Working notes={walk.notes.length} engraving={engraving} />
            )}
          </div>
        </Asked>
      </div>
      {engraving.pages.length > 0 && (
        <HearBar
          playing={hear.playing}
          settings={hear.settings}
          drones={reading?.drones ?? []}
          loopWords={loop.words}
          onSet={hear.set}
          onToggle={() => hear.toggle(now?.id)}
          onStep={(by) => walk.go(walk.at + by)}
          onLoop={loop.choose}
        />
      )}
    </Screen>
  )
}
