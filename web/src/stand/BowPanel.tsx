import type { BowChange, Bowing } from '../api/client'
import { Button } from '../ui/Button'
import { TextButton } from '../ui/TextLink'
import { NoteLink } from './NoteLink'
import { PanelPart } from './PanelPart'
import type { Bows } from './useBows'

/** So many uneven bars are told one by one. */
const MOST_UNEVEN = 6

/** The bow: what is right, what comes back wrong, what could be changed, and how to use it. */
export function BowPanel({
  bowing,
  now,
  bows,
  onShow,
}: {
  bowing: Bowing | undefined
  /** The note that one stands on. */
  now: string
  bows: Bows
  onShow: (noteIds: readonly string[]) => void
}) {
  if (!bowing) return <p className="text-soft">Looking at the bow…</p>
  const key = (c: BowChange) => `${c.noteId} ${c.kind}`
  const here = bowing.hints.filter((h) => h.noteIds.includes(now))
  return (
    <section aria-label="Bow" className="flex flex-col gap-3 text-said">
      <PanelPart title={bowing.taken.length === 0 ? 'As it comes' : 'As you bow it now'}>
        <li>{bowing.check.join(' ')}</li>
      </PanelPart>
      {here.length > 0 && (
        <PanelPart title="From this note">
          {here.map((h) => (
            <li key={h.text}>{h.text}</li>
          ))}
        </PanelPart>
      )}
      {bowing.wrongWay.map((w) => (
        <PanelPart key={w.noteId} title="Comes back the other way">
          <li>
            <NoteLink onClick={() => onShow([w.noteId])}>{w.text}</NoteLink>
          </li>
          {w.mends.map((m) => (
            <Change key={key(m)} change={m} label="Take" onClick={() => bows.take([m])} />
          ))}
        </PanelPart>
      ))}
      {bowing.proposals.map((p) => (
        <PanelPart key={p.aim} title={p.title}>
          {p.nothing && <li className="text-soft">{p.nothing}</li>}
          {p.changes.map((c) => (
            <Change
              key={key(c)}
              change={c}
              label="Take"
              onClick={() => bows.take([c])}
              onRefuse={() => bows.refuse([c])}
              onShow={() => onShow([c.noteId])}
            />
          ))}
          {p.changes.length > 1 && (
            <li className="flex gap-4">
              <TextButton onClick={() => bows.take(p.changes)}>Take all {p.changes.length}</TextButton>
              <TextButton onClick={() => bows.refuse(p.changes)}>Refuse all</TextButton>
            </li>
          )}
        </PanelPart>
      ))}
      {bowing.refused.length > 0 && (
        <p className="text-sm text-soft">
          {bowing.refused.length === 1 ? 'One change is' : `${bowing.refused.length} changes are`} refused.{' '}
          <TextButton onClick={bows.allowAgain}>Allow them again</TextButton>
        </p>
      )}
      {bowing.taken.length > 0 && (
        <PanelPart title="Taken, different from the print">
          {bowing.taken.map((c) => (
            <Change key={key(c)} change={c} label="Take back" onClick={() => bows.takeBack([c])} />
          ))}
          {bowing.taken.length > 1 && (
            <li>
              <TextButton onClick={() => bows.takeBack(bowing.taken)}>As printed again</TextButton>
            </li>
          )}
        </PanelPart>
      )}
      {bowing.uneven.length > 0 && (
        <PanelPart title="Uneven bars">
          {bowing.uneven.slice(0, MOST_UNEVEN).map((u) => (
            <li key={u.text}>
              <NoteLink onClick={() => onShow(u.noteIds)}>{u.text}</NoteLink>
            </li>
          ))}
          {bowing.uneven.length > MOST_UNEVEN && (
            <li className="text-soft">and {bowing.uneven.length - MOST_UNEVEN} more</li>
          )}
        </PanelPart>
      )}
      {bowing.hints.length > 0 && (
        <PanelPart title="Bow use, where it starts">
          {bowing.hints.map((h) => (
            <li key={h.text}>
              <NoteLink onClick={() => onShow(h.noteIds)}>{`${h.where}: ${h.text}`}</NoteLink>
            </li>
          ))}
        </PanelPart>
      )}
    </section>
  )
}

function Change({
  change,
  label,
  onClick,
  onRefuse,
  onShow,
}: {
  change: BowChange
  label: string
  onClick: () => void
  onRefuse?: () => void
  onShow?: () => void
}) {
  return (
    <li className="flex flex-wrap items-baseline gap-x-2">
      {onShow ? <NoteLink onClick={onShow}>{change.text}</NoteLink> : <span>{change.text}</span>}
      <span className="whitespace-nowrap">
        <Button size="inline" aria-label={`${label}: ${change.text}`} onClick={onClick}>
          {label}
        </Button>{' '}
        {onRefuse && (
          <button
            type="button"
            aria-label={`Refuse: ${change.text}`}
            className="min-h-6 px-1 text-sm text-soft hover:underline max-md:min-h-11"
            onClick={onRefuse}
          >
            Refuse
          </button>
        )}
      </span>
    </li>
  )
}
