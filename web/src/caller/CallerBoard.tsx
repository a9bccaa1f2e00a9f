import type { CallMoment, Together } from '../api/client'
import { PASSES, type Step } from './steps'
import { following, type Caller } from './useCaller'

/**
 * Sizes of type in hundredths of the window’s height, where it is wide enough: a projector shows them as large as it
 * can, letters for the back of the room. On an upright window the width decides.
 */
const UNIT = '[--u:min(1vh,0.6vw)] portrait:[--u:min(0.62vh,1vw)]'
const size = (units: number) => ({ fontSize: `calc(var(--u) * ${units})` })
const TYPE = {
  line: size(6.5),
  note: size(42),
  rest: size(19),
  next: size(10),
  section: size(6.2),
  head: size(3.2),
}

/** Four sections fill the height; more of them are smaller. */
const pairSize = (sections: number) => size(Math.min(17, 66 / sections))
const nextSize = (sections: number) => size(Math.min(10, 38 / sections))

export const PASS_WORDS: Readonly<Record<(typeof PASSES)[number], string>> = {
  say: 'Say it',
  finger: 'Finger it',
  pluck: 'Pluck it',
  bow: 'Bow it',
}

/** What the room reads. A tap anywhere steps on. */
export function CallerBoard({ caller, together }: { caller: Caller; together: Together }) {
  const { steps, at, pass, playing } = caller
  const step = steps[at]
  if (!step) return <p className="m-auto text-2xl">There is nothing to call in this tune.</p>
  const next = following(caller, at)
  const coming = comingLine(caller)
  const words = PASS_WORDS[PASSES[pass] ?? 'say']
  return (
    // The keys do the same, and the bar has buttons.
    // eslint-disable-next-line jsx-a11y/click-events-have-key-events, jsx-a11y/no-static-element-interactions
    <div
      className={`flex min-h-0 flex-1 cursor-pointer touch-manipulation flex-col px-[3vw] pt-[1.5vh] select-none portrait:pt-10 ${UNIT}`}
      data-testid="board"
      onClick={() => caller.next()}
    >
      <div className="flex items-baseline gap-[3vw] font-head leading-none font-semibold">
        <p style={TYPE.line} data-testid="line">
          Line {step.line + 1}
          <span className="text-maple-dark"> {together.lines[step.line]?.letter}</span>
          <span className="pl-[1.5vw] font-body text-[0.6em] font-normal text-soft">{step.barName}</span>
        </p>
        <p style={TYPE.line} className="text-spruce" data-testid="pass">
          {words}
        </p>
        {coming !== null && (
          <p style={TYPE.line} className="text-[0.8em] text-maple-dark">
            then line {coming + 1}
          </p>
        )}
      </div>
      <div className="grid min-h-0 flex-1 grid-cols-[5fr_7fr] items-center gap-[2vw] portrait:grid-cols-1 portrait:content-center portrait:gap-y-[3vh]">
        <div className="text-center">
          <Name step={step} />
          <div className="flex items-center justify-center gap-[2vw]" style={TYPE.next}>
            <Bow step={step} wanted={PASSES[pass] === 'bow'} />
            <p className="leading-none text-soft" data-testid="next-name">
              {next && (
                <>
                  <span className="text-[0.45em]">next </span>
                  {next.moment.name}
                </>
              )}
            </p>
          </div>
        </div>
        <Pairs together={together} now={step.moment} next={next?.moment} />
      </div>
      <p className="sr-only" aria-live={playing ? 'off' : 'polite'}>
        {step.moment.name}: {step.moment.pairs}
      </p>
    </div>
  )
}

/** The line that comes next, told in the last bar of the present one. */
function comingLine({ steps, at, part }: Caller): number | null {
  const here = steps[at]
  if (!here) return null
  const last = steps.findIndex((s, i) => i > at && s.line !== here.line)
  const leads = last > 0 && last <= part.to ? steps[last] : undefined
  const before = steps[last - 1]
  return leads && before?.played === here.played ? leads.line : null
}

function Name({ step }: { step: Step }) {
  const { name } = step.moment
  // "high D" is two words; its letter stays the largest.
  const at = name.lastIndexOf(' ')
  return (
    <p className="font-head leading-[0.95] font-semibold" style={TYPE.note} data-testid="name">
      {step.moment.isRest ? (
        <span style={TYPE.rest} className="text-soft">
          rest
        </span>
      ) : (
        <>
          {at > 0 && <span className="block text-[0.26em] font-normal">{name.slice(0, at)}</span>}
          {name.slice(at + 1)}
        </>
      )}
    </p>
  )
}

const BOWS = { down: 'down bow', up: 'up bow' } as const

/** Which way the bow goes, where it begins anew; its room stays, so that nothing jumps. */
function Bow({ step, wanted }: { step: Step; wanted: boolean }) {
  const does = step.moment.sections.find((s) => s.noteId)
  const bow = does && (step.again ? (does.bowAgain ?? does.bow) : does.bow)
  return (
    <svg
      viewBox="0 0 100 100"
      className={`h-[1em] shrink-0 fill-none stroke-ink ${wanted ? '' : 'opacity-45'}`}
      role="img"
      aria-label={bow ? BOWS[bow] : 'the bow goes on'}
      data-testid="bow"
      data-bow={bow ?? ''}
    >
      {bow === 'down' && <path d="M18 92 V14 H82 V92" strokeWidth="11" />}
      {bow === 'down' && <path d="M18 22 H82" strokeWidth="26" />}
      {bow === 'up' && <path d="M20 8 L50 90 L80 8" strokeWidth="11" />}
    </svg>
  )
}

function Pairs({ together, now, next }: { together: Together; now: CallMoment; next: CallMoment | undefined }) {
  const count = together.sections.length
  return (
    <dl className="grid grid-cols-[auto_1fr_auto] items-center gap-x-[2.5vw] gap-y-[0.5vh]">
      <div className="contents" aria-hidden="true">
        <dt />
        <dd style={TYPE.head} className="text-soft">
          now
        </dd>
        <dd style={TYPE.head} className="text-soft">
          next
        </dd>
      </div>
      {together.sections.map((s, i) => (
        <div key={s.key} className="contents" data-section={s.instrument}>
          <dt style={TYPE.section} className="leading-none">
            {s.name}
          </dt>
          <dd style={pairSize(count)} className="leading-[1.05] font-bold" data-testid="pair">
            <Pair does={now.sections[i]} />
          </dd>
          <dd style={nextSize(count)} className="leading-none text-soft" data-testid="next-pair">
            {next && <Pair does={next.sections[i]} />}
          </dd>
        </div>
      ))}
    </dl>
  )
}

/** String and finger; a dot for the silence of one section, a line where it holds on. */
function Pair({ does }: { does: CallMoment['sections'][number] | undefined }) {
  if (!does?.noteId) return <span className="font-normal text-soft">{does?.holds ? '—' : '·'}</span>
  if (does.label === '-') return <span className="text-[0.4em] font-normal text-brick">out of reach</span>
  const sign = does.sign ?? ''
  return (
    <>
      <span className="text-[0.74em] font-normal">{does.label.slice(0, does.label.length - sign.length)}</span>
      {sign}
      {does.position && <span className="pl-[0.15em] text-[0.5em] text-maple-dark">{does.position}</span>}
    </>
  )
}
