import type { ReactNode } from 'react'
import { type BowChange, type Bowing, type ReadingNote } from '../api/client'
import type { Bows } from './useBows'

const AIMS: Record<string, { title: string; good: string }> = {
  downbeatsDown: { title: 'Bar beginnings down', good: 'Every bar that begins with a new stroke begins down already.' },
  evenBow: { title: 'An even bow', good: 'No stroke runs out of bow.' },
}

/** The bow: what is right, what comes back wrong, what could be changed, and how to use it. */
export function BowPanel({
  bowing,
  now,
  bows,
  onShow,
}: {
  bowing: Bowing | undefined
  now: ReadingNote
  bows: Bows
  onShow: (noteIds: readonly string[]) => void
}) {
  if (!bowing) return <p className="text-soft">Looking at the bow…</p>
  const key = (c: BowChange) => `${c.noteId} ${c.kind}`
  const here = bowing.hints.filter((h) => h.noteIds.includes(now.id))
  return (
    <section aria-label="Bow" className="flex flex-col gap-3 text-[15px] leading-snug">
      <Part title={bowing.taken.length === 0 ? 'As it comes' : 'As you bow it now'}>
        <li>{bowing.check.join(' ')}</li>
      </Part>
      {here.length > 0 && (
        <Part title="From this note">
          {here.map((h) => (
            <li key={h.text}>{h.text}</li>
          ))}
        </Part>
      )}
      {bowing.wrongWay.map((w) => (
        <Part key={w.noteId} title="Comes back the other way">
          <li>
            <Linked text={w.text} onClick={() => onShow([w.noteId])} />
          </li>
          {w.mends.map((m) => (
            <Change key={key(m)} change={m} label="Take" onClick={() => bows.take([m])} />
          ))}
        </Part>
      ))}
      {bowing.proposals.map((p) => {
        const aim = AIMS[p.aim] ?? { title: p.aim, good: '' }
        return (
          <Part key={p.aim} title={`Proposal: ${aim.title.toLowerCase()}`}>
            {p.changes.length === 0 && (
              <li className="text-soft">
                {p.now === 0 ? aim.good : bowing.refused.length > 0 ? 'Nothing else helps.' : 'Nothing simple helps.'}
              </li>
            )}
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
                <Word text={`Take all ${p.changes.length}`} onClick={() => bows.take(p.changes)} />
                <Word text="Refuse all" onClick={() => bows.refuse(p.changes)} />
              </li>
            )}
          </Part>
        )
      })}
      {bowing.refused.length > 0 && (
        <p className="text-sm text-soft">
          {bowing.refused.length === 1 ? 'One change is' : `${bowing.refused.length} changes are`} refused.{' '}
          <Word text="Allow them again" onClick={bows.allowAgain} />
        </p>
      )}
      {bowing.taken.length > 0 && (
        <Part title="Taken, different from the print">
          {bowing.taken.map((c) => (
            <Change key={key(c)} change={c} label="Take back" onClick={() => bows.takeBack([c])} />
          ))}
          {bowing.taken.length > 1 && (
            <li>
              <Word text="As printed again" onClick={() => bows.takeBack(bowing.taken)} />
            </li>
          )}
        </Part>
      )}
      {bowing.uneven.length > 0 && (
        <Part title="Uneven bars">
          {bowing.uneven.slice(0, 6).map((u) => (
            <li key={u.text}>
              <Linked text={u.text} onClick={() => onShow(u.noteIds)} />
            </li>
          ))}
          {bowing.uneven.length > 6 && <li className="text-soft">and {bowing.uneven.length - 6} more</li>}
        </Part>
      )}
      {bowing.hints.length > 0 && (
        <Part title="Bow use, where it starts">
          {bowing.hints.map((h) => (
            <li key={h.text}>
              <Linked text={`${h.where}: ${h.text}`} onClick={() => onShow(h.noteIds)} />
            </li>
          ))}
        </Part>
      )}
    </section>
  )
}

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <div>
      <h3 className="font-body text-sm font-bold text-maple-dark">{title}</h3>
      <ul className="flex flex-col gap-1">{children}</ul>
    </div>
  )
}

function Word({ text, onClick }: { text: string; onClick: () => void }) {
  return (
    <button type="button" className="font-bold text-spruce underline underline-offset-4" onClick={onClick}>
      {text}
    </button>
  )
}

function Linked({ text, onClick }: { text: string; onClick: () => void }) {
  return (
    <button type="button" onClick={onClick} className="text-left underline-offset-4 hover:underline">
      {text}
    </button>
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
      {onShow ? <Linked text={change.text} onClick={onShow} /> : <span>{change.text}</span>}
      <span className="whitespace-nowrap">
        <button
          type="button"
          aria-label={`${label}: ${change.text}`}
          className="rounded-md border border-line-dark bg-sheet px-2 text-sm font-bold hover:bg-maple-pale"
          onClick={onClick}
        >
          {label}
        </button>{' '}
        {onRefuse && (
          <button
            type="button"
            aria-label={`Refuse: ${change.text}`}
            className="px-1 text-sm text-soft hover:underline"
            onClick={onRefuse}
          >
            Refuse
          </button>
        )}
      </span>
    </li>
  )
}
