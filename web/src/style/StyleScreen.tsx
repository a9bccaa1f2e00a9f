import { useState } from 'react'
import type { NamedStyle } from '../api/client'
import {
  useAddStyle,
  useDeleteStyle,
  useSaveStyle,
  useStyleExample,
  useStyles,
  useStyleSettings,
  useUseStyle,
} from './queries'
import { useInstruments } from '../api/instruments'
import { useKeyOptions } from '../api/keys'
import { Button } from '../ui/Button'
import { Choice } from '../ui/Choice'
import { Field, Input, Select } from '../ui/Field'
import { Refused } from '../ui/Said'
import { Strip } from '../ui/Strip'
import { useToast } from '../ui/toasts'
import { Example } from './Example'
import { chosenIn, withChoice } from './choices'
import { WordRhythms } from './WordRhythms'
import { TapeSettings } from './TapeSettings'

/** House styles: how this school prints fingers, names and tapes. */
export function StyleScreen() {
  const styles = useStyles().data
  const [chosen, setChosen] = useState<number | null>(null)
  const shown = styles?.find((s) => s.id === chosen) ?? styles?.find((s) => s.current) ?? styles?.[0]
  return (
    <main className="min-h-0 flex-1 overflow-y-auto">
      {styles && shown && <Editor key={`${shown.id}`} styles={styles} shown={shown} onChoose={setChosen} />}
    </main>
  )
}

function Editor({
  styles,
  shown,
  onChoose,
}: {
  styles: readonly NamedStyle[]
  shown: NamedStyle
  onChoose: (id: number) => void
}) {
  const [draft, setDraft] = useState(shown)
  const instruments = useInstruments().data ?? []
  const settings = useStyleSettings()
  const keys = useKeyOptions('major')
  const toast = useToast()
  const add = useAddStyle()
  const save = useSaveStyle()
  const use = useUseStyle()
  const remove = useDeleteStyle()
  const examples = useStyleExample(draft.style).data ?? []
  const tapes = examples.find((e) => e.setting === 'tapes')
  const changed = JSON.stringify(draft) !== JSON.stringify(shown)
  const problem = add.error ?? save.error ?? use.error ?? remove.error

  // Each step may put another editor in this one's place, so nothing hangs on this one staying; a refusal is shown above the settings.
  const step = async (work: () => Promise<void>) => {
    try {
      await work()
    } catch {
      // shown by the mutation's own error
    }
  }
  const keep = () =>
    step(async () => {
      const name = shown.id === 0 && draft.name === shown.name ? 'Our style' : draft.name
      const kept = await (shown.id === 0
        ? add.mutateAsync({ name, style: draft.style })
        : save.mutateAsync({ ...draft, name }))
      setDraft(kept)
      onChoose(kept.id)
      toast({ text: `“${kept.name}” is saved.` })
    })
  const copy = () =>
    step(async () => onChoose((await add.mutateAsync({ name: `${shown.name} (copy)`, style: shown.style })).id))
  const discard = () =>
    step(async () => {
      await remove.mutateAsync(shown.id)
      toast({
        text: `“${shown.name}” is deleted.`,
        action: { label: 'Undo', run: () => add.mutate({ name: shown.name, style: shown.style }) },
      })
    })

  return (
    <>
      <Strip>
        <Choice
          label="Style"
          hideLabel
          value={shown.id}
          options={styles.map((s) => ({ value: s.id, label: s.current ? `${s.name} (in use)` : s.name }))}
          onChange={onChoose}
        />
        <Field label="Name" beside>
          <Input
            size="strip"
            width="w-44"
            value={draft.name}
            maxLength={80}
            onChange={(e) => setDraft({ ...draft, name: e.target.value })}
          />
        </Field>
        <Button kind="go" size="strip" disabled={!changed || draft.name.trim() === ''} onClick={() => void keep()}>
          Save
        </Button>
        {changed && (
          <Button size="strip" onClick={() => setDraft(shown)}>
            Undo changes
          </Button>
        )}
        {shown.id !== 0 && !shown.current && (
          <>
            <Button size="strip" onClick={() => use.mutate(shown.id)}>
              Use this style
            </Button>
            <Button size="strip" onClick={() => void discard()}>
              Delete
            </Button>
          </>
        )}
        {shown.id !== 0 && (
          <Button size="strip" onClick={() => void copy()}>
            Duplicate
          </Button>
        )}
      </Strip>
      {problem && (
        <div className="m-6">
          <Refused>{problem.message}</Refused>
        </div>
      )}
      <div className="mx-auto max-w-[1240px] px-6 py-4">
        <h1 className="mb-3 text-3xl">House style</h1>
        <div className="grid gap-x-10 gap-y-5 md:grid-cols-2 xl:grid-cols-3">
          {settings.map((s) => {
            const example = examples.find((e) => e.setting === s.key)
            return (
              <section key={s.key} aria-label={s.label}>
                <h2 className="font-body text-base font-bold">{s.label}</h2>
                <p className="mb-1 text-sm text-soft">{s.about}</p>
                <Choice
                  label={s.label}
                  hideLabel
                  value={chosenIn(draft.style, s)}
                  options={s.options}
                  onChange={(value) => setDraft({ ...draft, style: withChoice(draft.style, s, value) })}
                />
                <div className="mt-2">{example && <Example example={example} />}</div>
              </section>
            )
          })}
        </div>
        <div className="mt-6 grid gap-x-10 gap-y-5 xl:grid-cols-[minmax(0,2fr)_minmax(0,1fr)] [&>*:nth-child(2)]:xl:row-span-2">
          <TapeSettings
            instruments={instruments}
            style={draft.style}
            onChange={(style) => setDraft({ ...draft, style })}
          />
          <WordRhythms
            words={draft.style.wordRhythms ?? {}}
            onChange={(wordRhythms) => setDraft({ ...draft, style: { ...draft.style, wordRhythms } })}
          />
          <section aria-label="First key">
            <h2 className="font-body text-base font-bold">The first key you teach</h2>
            <p className="mb-1 text-sm text-soft">Other keys are told by what they change from it.</p>
            <Select
              aria-label="The first key you teach"
              value={draft.style.firstKeyFifths ?? 0}
              options={keys}
              onChoose={(firstKeyFifths) => setDraft({ ...draft, style: { ...draft.style, firstKeyFifths } })}
            />
            <h2 className="mt-4 font-body text-base font-bold">In tape words</h2>
            {tapes && <Example example={tapes} />}
          </section>
        </div>
      </div>
    </>
  )
}
