import type { HouseStyle, NamedStyle } from '../api/client'
import { keepChanged, useKept } from '../offline/kept'

/** With the version that it was begun from. */
type Draft = { name: string; style: HouseStyle; version?: number }

const isSame = (a: Draft, b: Draft) => a.name === b.name && JSON.stringify(a.style) === JSON.stringify(b.style)

type Drafts = Record<number, Draft>

const KEY = 'styles'

/** Draft by draft, as they are by now: while a style is being saved another may be changed. */
const change = (next: (drafts: Drafts) => Drafts) => keepChanged<Drafts>(KEY, (now) => next(now ?? {}))

/** Changes of each house style that are not saved yet, kept on this machine until they are saved or undone. */
export function useStyleDrafts() {
  const drafts = useKept<Drafts>(KEY)[0] ?? {}
  return {
    has: (id: number) => id in drafts,
    /** The style as it is being changed. Own names of shapes are saved from elsewhere and are always the style’s. */
    of: (shown: NamedStyle): NamedStyle => {
      const draft = drafts[shown.id]
      return draft
        ? {
            ...shown,
            name: draft.name,
            style: { ...draft.style, shapeNames: shown.style.shapeNames },
            version: draft.version ?? shown.version,
          }
        : shown
    },
    /**
     * A style that is saved from elsewhere gets another version, and for the first time another number; changes that
     * were begun from what it was go with it.
     */
    move: (from: NamedStyle, to: NamedStyle) =>
      change(({ [from.id]: draft, ...others }) => {
        if (!draft) return others
        const follows = (draft.version ?? from.version) === from.version
        return { ...others, [to.id]: follows ? { ...draft, version: to.version } : draft }
      }),
    /** What was sent is saved as this; what was changed since then is a change of it. */
    settle: (shown: NamedStyle, saved: NamedStyle) =>
      change(({ [shown.id]: draft, ...others }) =>
        !draft || draft === drafts[shown.id] ? others : { ...others, [saved.id]: { ...draft, version: saved.version } },
      ),
    /** Keeps a change; what is as it was saved, or null, is no change. */
    set: (shown: NamedStyle, draft: Draft | null) =>
      change((drafts) => {
        const others = Object.fromEntries(Object.entries(drafts).filter(([id]) => id !== String(shown.id)))
        return draft && !isSame(draft, shown)
          ? { ...others, [shown.id]: { name: draft.name, style: draft.style, version: draft.version ?? shown.version } }
          : others
      }),
  }
}
