import { useDeletedTasks, useRestoreTask } from '../desk'
import { useDeletedSheets, useRestoreSheet } from '../exercises'
import { useDeletedStyles, useRestoreStyle } from '../style'
import { useDeletedTunes, useRestoreTune } from '../tunes'
import { Button } from '../ui/Button'
import { Refused } from '../ui/Said'
import { momentOf } from '../calendar/days'

/** Everything that was deleted in the last thirty days, the last first, and its way back. */
export function Deleted() {
  const tunes = useDeletedTunes().data
  const styles = useDeletedStyles().data
  const sheets = useDeletedSheets().data
  const tasks = useDeletedTasks().data
  const back = {
    tune: useRestoreTune(),
    style: useRestoreStyle(),
    sheet: useRestoreSheet(),
    'writing task': useRestoreTask(),
  }
  const problem = Object.values(back).find((b) => b.error)?.error
  const things = [
    ...(tunes?.tunes ?? []).map((t) => ({ kind: 'tune' as const, id: t.id, name: t.title, at: t.deletedAt ?? '' })),
    ...(styles ?? []).map((s) => ({ kind: 'style' as const, id: s.id, name: s.name, at: s.deletedAt ?? '' })),
    ...(sheets ?? []).map((s) => ({ kind: 'sheet' as const, id: s.id, name: s.heading, at: s.deletedAt ?? '' })),
    ...(tasks ?? []).map((t) => ({ kind: 'writing task' as const, id: t.id, name: t.title, at: t.deletedAt ?? '' })),
  ].sort((a, b) => b.at.localeCompare(a.at))
  const more = (tunes?.total ?? 0) - (tunes?.tunes.length ?? 0)
  return (
    <section aria-labelledby="deleted">
      <h2 id="deleted" className="mb-2 text-2xl">
        Deleted
      </h2>
      <p className="mb-2 text-sm text-soft">What is deleted stays here for 30 days.</p>
      {problem && <Refused>{problem.message}</Refused>}
      {tunes && styles && sheets && tasks && things.length === 0 && <p>Nothing is deleted.</p>}
      <ul aria-label="Deleted things">
        {things.map(({ kind, id, name, at }) => (
          <li key={`${kind} ${id}`} className="flex items-center justify-between gap-4 border-b border-line py-1.5">
            <span className="min-w-0">
              <span className="block truncate font-bold">{name || 'Without a heading'}</span>
              <span className="block text-sm text-soft">
                {kind} · {momentOf(at)}
              </span>
            </span>
            <Button
              size="small"
              aria-label={`Bring back ${name}`}
              disabled={back[kind].isPending}
              onClick={() => back[kind].mutate(id)}
            >
              Bring back
            </Button>
          </li>
        ))}
      </ul>
      {more > 0 && <p className="mt-2 text-sm text-soft">And {more} more tunes, deleted before these.</p>}
    </section>
  )
}
