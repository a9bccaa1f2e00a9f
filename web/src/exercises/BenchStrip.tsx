import type { ReactNode } from 'react'
import { useNavigate } from 'react-router'
import type { Instrument } from '../api/client'
import { Button } from '../ui/Button'
import { Input } from '../ui/Field'
import { MoreItem, MoreMenu } from '../ui/MoreMenu'
import { Strip, StripEnd } from '../ui/Strip'
import { Tick } from '../ui/Tick'
import { EMPTY } from './sheet'
import type { useBench } from './useBench'
import type { useBenchWork } from './useBenchWork'
import { LIMITS } from '../api/limits'

/** The sheet as a whole: its heading, for whom it is, and what becomes of it. */
export function BenchStrip({
  desk: { bench, lay, note, undo },
  work,
  instruments,
  shown,
  files,
  onKeptSheets,
  onChosen,
}: {
  desk: ReturnType<typeof useBench>
  work: ReturnType<typeof useBenchWork>
  instruments: readonly Instrument[]
  /** Whose page is in view. */
  shown: Instrument | undefined
  files: { items: ReactNode; input: ReactNode }
  onKeptSheets: () => void
  /** Another sheet lies there. */
  onChosen: () => void
}) {
  const navigate = useNavigate()
  const isEmpty = bench.parts.length === 0
  return (
    <Strip
      lead={
        <Input
          size="strip"
          width="w-64 max-w-full"
          aria-label="Heading of the sheet"
          placeholder="Heading of the sheet"
          maxLength={LIMITS.longestSheetHeading}
          value={bench.heading}
          onChange={(e) => note({ heading: e.target.value })}
        />
      }
    >
      <fieldset className="flex flex-wrap items-center gap-x-3" disabled={work.busy}>
        <legend className="float-left mr-3 text-sm text-soft">For</legend>
        {instruments.map((i) => (
          <Tick key={i.id} checked={bench.instruments.includes(i.id)} onChange={(on) => work.choose(i.id, on)}>
            {i.name}
          </Tick>
        ))}
      </fieldset>
      <StripEnd>
        <Button size="strip" disabled={!undo} onClick={() => undo?.()}>
          Undo
        </Button>
        <Button size="strip" disabled={isEmpty || work.keeping} onClick={work.keepIt}>
          Keep
        </Button>
        <Button
          size="strip"
          disabled={bench.parts.every((p) => p.isPlayed)}
          onClick={() => void navigate(`/exercises/answer?for=${shown?.id ?? ''}`)}
        >
          Answer here
        </Button>
        <Button kind="go" size="strip" disabled={isEmpty} onClick={() => void navigate('/exercises/print')}>
          Print
        </Button>
        <MoreMenu button="More" label="More about the sheet" end>
          <MoreItem onClick={onKeptSheets}>Kept sheets …</MoreItem>
          <MoreItem
            onClick={() => {
              lay({ ...EMPTY, instruments: bench.instruments })
              onChosen()
            }}
          >
            A new sheet
          </MoreItem>
          {shown &&
            !isEmpty &&
            instruments
              .filter((i) => !bench.instruments.includes(i.id))
              .map((i) => (
                <MoreItem
                  key={i.id}
                  onClick={() => {
                    onChosen()
                    work.copyFor(shown, i)
                  }}
                >
                  Copy for {i.name.toLowerCase()}
                </MoreItem>
              ))}
          {files.items}
        </MoreMenu>
        {files.input}
      </StripEnd>
    </Strip>
  )
}
