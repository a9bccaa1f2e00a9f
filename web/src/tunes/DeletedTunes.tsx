import { DeletedList } from '../ui/DeletedList'
import { useDeletedTunes, useRestoreTune } from './queries'

/** The tunes that were deleted. */
export function DeletedTunes({ onClose }: { onClose: () => void }) {
  const { data, error } = useDeletedTunes()
  const restore = useRestoreTune()
  return (
    <DeletedList
      title="Deleted tunes"
      things={data?.tunes.map(({ id, title, deletedAt }) => ({ id, name: title, deletedAt: deletedAt ?? null }))}
      more={data ? data.total - data.tunes.length : 0}
      problem={error ?? restore.error}
      busy={restore.isPending}
      onRestore={(id) => restore.mutate(id)}
      onClose={onClose}
    />
  )
}
