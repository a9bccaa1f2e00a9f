import { useState } from 'react'
import type { Keeping } from '../api/client'
import { Asked } from '../ui/Asked'
import { Button } from '../ui/Button'
import { Dialog } from '../ui/Dialog'
import { Refused } from '../ui/Said'
import { useToast } from '../ui/toasts'
import { FileButton } from '../ui/FileButton'
import { FileLink } from '../ui/FileLink'
import { useKeeping, useRestore } from './queries'
import { momentOf } from '../calendar/days'
import { sizeOf } from './words'

type Kept = Keeping['backups'][number]

const WHY: Record<string, string> = {
  day: 'the day’s',
  update: 'before an update of Coppia',
  restore: 'before another was brought back',
  damaged: 'could not be opened any more',
}

/** Backups: one to take along, those that Coppia makes by itself, and the way back. */
export function Backups() {
  const keeping = useKeeping()
  const restore = useRestore()
  const toast = useToast()
  const [wanted, setWanted] = useState<File | Kept | null>(null)
  const bringBack = (backup: File | string) => {
    setWanted(null)
    restore.mutate(backup, {
      onSuccess: ({ former, tunes }) =>
        toast({
          text: `The library of the backup is here, with ${tunes} ${tunes === 1 ? 'tune' : 'tunes'}.`,
          action: { label: 'Undo', run: () => bringBack(former) },
        }),
    })
  }
  const kept = keeping.data
  return (
    <section aria-labelledby="backups">
      <h2 id="backups" className="mb-2 text-2xl">
        Backups
      </h2>
      <p className="mb-4 max-w-prose">
        A backup is one file with everything in it: tunes, fingers, bows, styles, sheets and classes. Keep one on
        another stick or computer; it brings the library back when this one breaks.
      </p>
      <div className="flex flex-wrap items-center gap-3">
        <FileLink strong href="/api/keeping/backup">
          Save a backup
        </FileLink>
        <FileButton accept=".db" busy={restore.isPending} onFile={setWanted}>
          Bring a backup back …
        </FileButton>
        <span role="status">{restore.isPending && 'It is checked and brought back …'}</span>
      </div>
      {restore.error && (
        <div className="mt-3">
          <Refused>{restore.error.message} Nothing was changed.</Refused>
        </div>
      )}
      <h3 className="mt-7 mb-1 font-body text-base font-bold">Made by Coppia itself</h3>
      <Asked of={keeping}>{null}</Asked>
      {kept && !kept.thrownAway && (
        <p className="mb-2 text-sm text-soft">
          One a day, the last {kept.daysKept} stay; and one before each update. They are in{' '}
          <span className="font-mono text-[0.8rem] break-all">{kept.folder}</span>, and only you can read them.
        </p>
      )}
      {kept?.backups.length === 0 && (
        <p>
          {kept.thrownAway
            ? 'This library is here to be tried and is thrown away at the end, so that none are made.'
            : 'There is none yet: the first is made when Coppia has started.'}
        </p>
      )}
      <ul aria-label="Backups made by Coppia">
        {kept?.backups.map((b) => (
          <li key={b.name} className="flex flex-wrap items-center justify-between gap-x-4 border-b border-line py-1.5">
            <span>
              <span className="font-bold tabular-nums">{momentOf(b.madeAt)}</span>
              <span className="text-sm text-soft">
                {' '}
                · {WHY[b.why] ?? b.why} · {sizeOf(b.bytes)}
              </span>
            </span>
            <span className="flex items-center gap-4">
              <FileLink href={`/api/keeping/backups/${encodeURIComponent(b.name)}`}>Save</FileLink>
              {b.why !== 'damaged' && (
                <Button
                  size="small"
                  disabled={restore.isPending}
                  aria-label={`Bring back the backup of ${momentOf(b.madeAt)}`}
                  onClick={() => setWanted(b)}
                >
                  Bring back
                </Button>
              )}
            </span>
          </li>
        ))}
      </ul>
      {wanted && (
        <Dialog title="Bring this backup back?" onClose={() => setWanted(null)}>
          <p className="mb-3">
            {wanted instanceof File ? (
              <>
                “{wanted.name}” ({sizeOf(wanted.size)})
              </>
            ) : (
              <>The backup of {momentOf(wanted.madeAt)}</>
            )}{' '}
            takes the place of the library that is here now, on every screen at once.
          </p>
          <p className="mb-5">The library that is here is backed up first, so that you can go back to it.</p>
          <div className="flex gap-3">
            <Button kind="go" onClick={() => bringBack(wanted instanceof File ? wanted : wanted.name)}>
              Bring it back
            </Button>
            <Button onClick={() => setWanted(null)}>Leave all as it is</Button>
          </div>
        </Dialog>
      )}
    </section>
  )
}
