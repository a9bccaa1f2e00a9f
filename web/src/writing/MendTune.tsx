import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { useNavigate, useParams, useSearchParams } from 'react-router'
import type { Instrument, TuneDetail, WritingState } from '../api/client'
import { useInstruments } from '../api/instruments'
import { useSaveTune, useTune } from '../tunes'
import { Asked } from '../ui/Asked'
import { Button } from '../ui/Button'
import { useKept } from '../offline/kept'
import { Refused } from '../ui/Said'
import { Screen } from '../ui/Screen'
import { Strip, StripEnd } from '../ui/Strip'
import { TextLink } from '../ui/TextLink'
import { useToast } from '../ui/toasts'
import { usePerLine } from './perLine'
import { openWriting, stepFor, textOfWriting } from './queries'
import { WritingDesk } from './WritingDesk'

/** A mending that is not saved yet, with the version of the tune that it began from. */
type Draft = { version: number; instrument: string; state: WritingState }

/**
 * A kept tune on the writing staff: its notes are mended without its text; pins and bows stay with the notes that did
 * not change.
 */
export function MendTune() {
  const id = Number(useParams().id)
  const [search] = useSearchParams()
  const tune = useTune(id)
  const instruments = useInstruments().data ?? []
  const wanted = search.get('for') ?? tune.data?.summary.printedFor
  const player = instruments.find((i) => i.id === wanted)
  return (
    <Screen title={`Mend ${tune.data?.summary.title ?? 'a tune'}`} className="flex min-h-0 flex-1 flex-col">
      <h1 className="sr-only">Mend {tune.data?.summary.title ?? 'a tune'}</h1>
      {tune.data && player ? (
        <Mending key={`${id} ${player.id}`} tune={tune.data} instrument={player} />
      ) : (
        <div className="p-8">
          <Asked of={tune}>{null}</Asked>
          <TextLink to="/tunes">To the tunes</TextLink>
        </div>
      )}
    </Screen>
  )
}

function Mending({ tune, instrument }: { tune: TuneDetail; instrument: Instrument }) {
  const { id, title, version } = tune.summary
  const navigate = useNavigate()
  const toast = useToast()
  const [kept, keep] = useKept<Draft>(`mend.${id}`)
  const [opened, setOpened] = useState(0)
  const [original, setOriginal] = useState<string | null>(null)
  const save = useSaveTune()
  const perLine = usePerLine()
  /** What the text holds and the staff does not. */
  const lost = tune.notices.filter((n) => n.isLoss).map((n) => n.message)
  const stand = `/tunes/${id}?for=${instrument.id}`
  const draft = kept?.instrument === instrument.id && kept.version === version ? kept : null
  const first = useQuery({
    queryKey: ['writing', id, version, instrument.id, opened],
    queryFn: async () => {
      const asIs = await openWriting(id, instrument.id, perLine)
      setOriginal(asIs.state.doc)
      return draft ? stepFor(instrument.id, perLine)(draft.state) : asIs
    },
    staleTime: Infinity,
    gcTime: 0,
  })
  const finish = async (doc: string) => {
    const source = await textOfWriting(doc, tune.source)
    await save.mutateAsync({
      id,
      version,
      source,
      title,
      composer: tune.summary.composer,
      printedFor: tune.summary.printedFor,
    })
    keep(null)
    void navigate(stand)
  }
  const discard = () => {
    keep(null)
    setOpened((n) => n + 1)
    if (kept)
      toast({
        text: `Your changes of “${title}” are discarded.`,
        action: {
          label: 'Undo',
          run: () => {
            keep(kept)
            setOpened((n) => n + 1)
          },
        },
      })
  }
  if (!first.data || first.isFetching)
    return (
      <div className="p-8">
        <Asked of={first}>{null}</Asked>
        <TextLink to={stand}>Back to the stand</TextLink>
      </div>
    )
  return (
    <WritingDesk
      key={opened}
      first={first.data}
      instrument={instrument}
      onState={(state) => keep(state.doc === original ? null : { version, instrument: instrument.id, state })}
      head={(view) => {
        const changed = original !== null && view.state.doc !== original
        return (
          <Strip lead={<TextLink to={stand}>Back to the stand</TextLink>}>
            <p className="font-head text-xl font-semibold">{title}</p>
            {changed && lost.length > 0 && (
              <p className="max-w-md border-l-4 border-maple pl-3 text-sm">
                Saved from here the tune is written anew, without what Coppia leaves out: {lost.join(' ')}
              </p>
            )}
            <StripEnd>
              {save.error && <Refused>{save.error.message}</Refused>}
              {changed && <Button onClick={discard}>Discard my changes</Button>}
              <Button
                kind="go"
                disabled={!changed || save.isPending}
                onClick={() => void finish(view.state.doc).catch(() => undefined)}
              >
                Save
              </Button>
            </StripEnd>
          </Strip>
        )
      }}
    />
  )
}
