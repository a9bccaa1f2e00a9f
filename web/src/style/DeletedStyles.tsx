import { DeletedList } from '../ui/DeletedList'
import { useDeletedStyles, useRestoreStyle } from './queries'

/** The house styles that were deleted. */
export function DeletedStyles({ onClose }: { onClose: () => void }) {
  const { data, error } = useDeletedStyles()
  const restore = useRestoreStyle()
  return (
    <DeletedList
      title="Deleted styles"
      things={data?.map(({ id, name, deletedAt }) => ({ id, name, deletedAt: deletedAt ?? null }))}
      problem={error ?? restore.error}
      busy={restore.isPending}
      onRestore={(id) => restore.mutate(id)}
      onClose={onClose}
    />
  )
}
