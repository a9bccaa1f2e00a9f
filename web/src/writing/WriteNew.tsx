import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import type { WritingState } from '../api/client'
import { useInstruments } from '../api/instruments'
import { useAddTune } from '../tunes'
import { Asked } from '../ui/Asked'
import { Button } from '../ui/Button'
import { Field, Input } from '../ui/Field'
import { InstrumentChoice } from '../ui/InstrumentChoice'
import { useKept } from '../offline/kept'
import { Refused } from '../ui/Said'
import { Screen } from '../ui/Screen'
import { Strip, StripEnd } from '../ui/Strip'
import { TextLink } from '../ui/TextLink'
import { useToast } from '../ui/toasts'
import { usePerLine } from './perLine'
import { newWriting, stepFor, textOfWriting } from './queries'
import { WritingDesk } from './WritingDesk'
import { LIMITS } from '../api/limits'

/** What is being written and not kept yet. */
type Draft = { title: string; instrument: string; state: WritingState | null }
const FRESH: Draft = { title: '', instrument: '', state: null }

/** A new tune, written on the staff. What is written waits on this machine until it is kept or begun anew. */
export function WriteNew() {
  const navigate = useNavigate()
  const toast = useToast()
  const [kept, keep] = useKept<Draft>('writing')
  const instruments = useInstruments().data ?? []
  const begin = kept ?? FRESH
  // The first of them, where nobody has said.
  const draft = { ...begin, instrument: begin.instrument || (instruments[0]?.id ?? '') }
  const [begun, setBegun] = useState(0)
  const player = instruments.find((i) => i.id === draft.instrument)
  const add = useAddTune()
  const perLine = usePerLine()
  const first = useQuery({
    queryKey: ['writing', 'new', draft.instrument, begun],
    queryFn: () =>
      draft.state
        ? stepFor(draft.instrument, perLine)(draft.state)
        : newWriting({ instrument: draft.instrument, fifths: 2, meter: '4/4', clef: null, pickUp: null, perLine }),
    enabled: draft.instrument !== '',
    staleTime: Infinity,
    gcTime: 0,
  })
  const set = (part: Partial<Draft>) => keep({ ...draft, ...part })
  const save = async (doc: string) => {
    const source = await textOfWriting(doc, null)
    const title = draft.title.trim()
    const tune = await add.mutateAsync({ source, title: title || null, printedFor: draft.instrument })
    keep(null)
    void navigate(`/tunes/${tune.summary.id}`)
  }
  const anew = () => {
    const before = kept
    keep(null)
    setBegun((n) => n + 1)
    if (before)
      toast({
        text: 'The staff is empty.',
        action: {
          label: 'Undo',
          run: () => {
            keep(before)
            setBegun((n) => n + 1)
          },
        },
      })
  }
  return (
    <Screen title="Write a tune" className="flex min-h-0 flex-1 flex-col">
      <h1 className="sr-only">Write a tune</h1>
      {first.data && player ? (
        <WritingDesk
          key={`${draft.instrument} ${begun}`}
          first={first.data}
          instrument={player}
          onState={(state) => set({ state })}
          head={(view) => (
            <Strip
              lead={
                <InstrumentChoice
                  instruments={instruments}
                  value={draft.instrument}
                  onChange={(instrument) => set({ instrument })}
                />
              }
            >
              <Field label="Title" beside>
                <Input
                  size="strip"
                  width="w-56"
                  maxLength={LIMITS.longestTuneTitle}
                  placeholder="Untitled tune"
                  value={draft.title}
                  onChange={(e) => set({ title: e.target.value })}
                />
              </Field>
              <StripEnd>
                {add.error && <Refused>{add.error.message}</Refused>}
                <Button onClick={anew}>Begin anew</Button>
                <Button
                  kind="go"
                  disabled={view.events.every((e) => e.height === null) || add.isPending}
                  onClick={() => void save(view.state.doc).catch(() => undefined)}
                >
                  Keep and open
                </Button>
              </StripEnd>
            </Strip>
          )}
        />
      ) : (
        <div className="p-8">
          <Asked of={first}>{null}</Asked>
          <TextLink to="/tunes">To the tunes</TextLink>
        </div>
      )}
    </Screen>
  )
}
