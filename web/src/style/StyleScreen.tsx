import { useState } from 'react'
import type { NamedStyle } from '../api/client'
import {
  useAddStyle,
  useDeletedStyles,
  useDeleteStyle,
  useDuplicateStyle,
  useRestoreStyle,
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
import { useKept } from '../offline/kept'
import { CopyText, Mishap } from '../ui/Mishap'
import { Refused } from '../ui/Said'
import { PAGE_EDGE, PageHead } from '../ui/Page'
import { Screen } from '../ui/Screen'
import { Strip } from '../ui/Strip'
import { TextButton } from '../ui/TextLink'
import { useToast } from '../ui/toasts'
import { DeletedStyles } from './DeletedStyles'
import { Example } from './Example'
import { chosenIn, withChoice } from './choices'
import { useStyleDrafts } from './useStyleDrafts'
import { WordRhythms } from './WordRhythms'
import { TapeSettings } from './TapeSettings'
import { LIMITS } from '../api/limits'

/** House styles: how this school prints fingers, names and tapes. */
export function StyleScreen() {
  const { data: styles, error, refetch } = useStyles()
  const [chosen, choose] = useKept<number>('style')
  const shown = styles?.find((s) => s.id === chosen) ?? styles?.find((s) => s.current) ?? styles?.[0]
  return (
    <Screen title="House style" className="min-h-0 flex-1 overflow-y-auto">
      {styles && shown && <Editor key={`${shown.id}`} styles={styles} shown={shown} onChoose={choose} />}
      {error && !styles && (
        <Mishap title="The house styles cannot be shown" why={error.message} onAgain={() => void refetch()} />
      )}
    </Screen>
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
  const drafts = useStyleDrafts()
  const draft = drafts.of(shown)
  const instruments = useInstruments().data ?? []
  const settings = useStyleSettings()
  const keys = useKeyOptions('major')
  const deleted = useDeletedStyles().data?.length ?? 0
  const [showDeleted, setShowDeleted] = useState(false)
  const toast = useToast()
  const add = useAddStyle()
  const save = useSaveStyle()
  const use = useUseStyle()
  const duplicate = useDuplicateStyle()
  const restore = useRestoreStyle()
  const remove = useDeleteStyle()
  const examples = useStyleExample(draft.style).data ?? []
  const tapes = examples.find((e) => e.setting === 'tapes')
  const changed = drafts.has(shown.id)
  const steps = [add, save, use, duplicate, restore, remove]
  const problem = steps.find((s) => s.error)?.error
  const busy = steps.some((s) => s.isPending)
  const forget = () => steps.forEach((s) => s.reset())

  const set = (part: Partial<NamedStyle>) => {
    forget() // what was refused was another draft
    drafts.set(shown, { ...draft, ...part })
  }
  // Each step may put another editor in this one's place, so nothing hangs on this one staying; a refusal is shown
  // above the settings.
  const step = async (work: () => Promise<void>) => {
    forget()
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
      drafts.settle(shown, kept)
      onChoose(kept.id)
      toast({ text: `“${kept.name}” is saved.` })
    })
  /** Where another window was quicker, neither is lost. */
  const keepAsAnother = () =>
    step(async () => {
      const kept = await add.mutateAsync({ name: `${draft.name} (mine)`.slice(-80), style: draft.style })
      drafts.settle(shown, kept)
      onChoose(kept.id)
      toast({ text: `“${kept.name}” is saved.` })
    })
  const copy = () => step(async () => onChoose((await duplicate.mutateAsync(shown.id)).id))
  const discard = () =>
    step(async () => {
      await remove.mutateAsync(shown.id)
      toast({
        text: `“${shown.name}” is deleted.`,
        action: {
          label: 'Undo',
          run: () => restore.mutate(shown.id, { onError: (refusal) => toast({ text: refusal.message }) }),
        },
      })
    })
  const takeBack = () => {
    forget()
    drafts.set(shown, null)
    toast({
      text: `“${shown.name}” is as it was saved.`,
      action: { label: 'Bring my changes back', run: () => drafts.set(shown, draft) },
    })
  }

  return (
    <>
      {showDeleted && <DeletedStyles onClose={() => setShowDeleted(false)} />}
      <div className={`pb-10 ${PAGE_EDGE}`}>
        <PageHead
          title="House style"
          actions={
            <Strip
              plain
              lead={
                <Choice
                  label="Style"
                  hideLabel
                  value={shown.id}
                  options={styles.map((s) => ({
                    value: s.id,
                    label: `${s.name}${s.current ? ' (in use)' : ''}${drafts.has(s.id) ? ', not saved' : ''}`,
                  }))}
                  onChange={onChoose}
                />
              }
            >
              <Field label="Name" beside>
                <Input
                  size="strip"
                  width="w-44"
                  value={draft.name}
                  maxLength={LIMITS.longestStyleName}
                  onChange={(e) => set({ name: e.target.value })}
                />
              </Field>
              <Button
                kind="go"
                size="strip"
                disabled={!changed || draft.name.trim() === '' || busy}
                onClick={() => void keep()}
              >
                Save
              </Button>
              {changed && (
                <Button size="strip" onClick={takeBack}>
                  Undo changes
                </Button>
              )}
              {shown.id !== 0 && !shown.current && (
                <>
                  <Button
                    size="strip"
                    disabled={busy}
                    onClick={() => void step(() => use.mutateAsync(shown.id).then(() => {}))}
                  >
                    Use this style
                  </Button>
                  <Button size="strip" disabled={busy} onClick={() => void discard()}>
                    Delete
                  </Button>
                </>
              )}
              {shown.id !== 0 && (
                <Button size="strip" disabled={busy} onClick={() => void copy()}>
                  Duplicate
                </Button>
              )}
              {deleted > 0 && (
                <TextButton onClick={() => setShowDeleted(true)}>
                  Deleted: {deleted} {deleted === 1 ? 'style' : 'styles'}
                </TextButton>
              )}
            </Strip>
          }
        />
        <div className="max-w-[1240px]">
          {shown.unreadable && (
            <div className="mb-6 flex max-w-2xl flex-col gap-3">
              <Refused>
                This version of Coppia cannot read “{shown.name}”: {shown.unreadable.wrong}. Coppia’s defaults stand in
                for it; what you save takes its place.
              </Refused>
              <CopyText label="The style’s text" source={shown.unreadable.text} />
            </div>
          )}
          {problem && (
            <div className="mb-6">
              <Refused>{problem.message}</Refused>
              {problem.status === 409 && (
                <p className="mt-3">
                  <Button onClick={() => void keepAsAnother()}>Keep mine as another style</Button>
                </p>
              )}
            </div>
          )}
          <div className="grid gap-x-10 gap-y-5 md:grid-cols-2 xl:grid-cols-3">
            {settings.map((s) => {
              const example = examples.find((e) => e.setting === s.key)
              return (
                <section key={s.key} aria-label={s.label} className="min-w-0">
                  <h2 className="font-body text-base font-bold">{s.label}</h2>
                  <p className="mb-1 text-sm text-soft">{s.about}</p>
                  <Choice
                    label={s.label}
                    hideLabel
                    value={chosenIn(draft.style, s)}
                    options={s.options}
                    onChange={(value) => set({ style: withChoice(draft.style, s, value) })}
                  />
                  <div className="mt-2">{example && <Example example={example} />}</div>
                </section>
              )
            })}
          </div>
          <div className="mt-6 grid gap-x-10 gap-y-5 xl:grid-cols-[minmax(0,2fr)_minmax(0,1fr)] [&>*:nth-child(2)]:xl:row-span-2">
            <TapeSettings instruments={instruments} style={draft.style} onChange={(style) => set({ style })} />
            <WordRhythms
              words={draft.style.wordRhythms ?? {}}
              onChange={(wordRhythms) => set({ style: { ...draft.style, wordRhythms } })}
            />
            <section aria-label="First key" className="min-w-0">
              <h2 className="font-body text-base font-bold">The first key you teach</h2>
              <p className="mb-1 text-sm text-soft">Other keys are told by what they change from it.</p>
              <Select
                aria-label="The first key you teach"
                value={draft.style.firstKeyFifths ?? 0}
                options={keys}
                onChoose={(firstKeyFifths) => set({ style: { ...draft.style, firstKeyFifths } })}
              />
              <h2 className="mt-4 font-body text-base font-bold">In tape words</h2>
              {tapes && <Example example={tapes} />}
            </section>
          </div>
        </div>
      </div>
    </>
  )
}
