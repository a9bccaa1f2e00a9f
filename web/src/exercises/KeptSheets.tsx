import { useState } from 'react'
import { useInstruments } from '../api/instruments'
import { Asked } from '../ui/Asked'
import { Button } from '../ui/Button'
import { DeletedList } from '../ui/DeletedList'
import { Dialog } from '../ui/Dialog'
import { Input } from '../ui/Field'
import { TextButton } from '../ui/TextLink'
import { useToast } from '../ui/toasts'
import { useDeletedSheets, useDeleteSheet, useDuplicateSheet, useRestoreSheet, useSheets } from './queries'

/** The sheets that were kept, to be found again. */
export function KeptSheets({ onOpen, onClose }: { onOpen: (id: number) => void; onClose: () => void }) {
  const [search, setSearch] = useState('')
  const sheets = useSheets(search.trim())
  const found = sheets.data?.pages.flatMap((page) => page.sheets)
  const deleted = useDeletedSheets()
  const [showDeleted, setShowDeleted] = useState(false)
  const names = new Map(useInstruments().data?.map((i) => [i.id, i.name.toLowerCase()]))
  const remove = useDeleteSheet()
  const copy = useDuplicateSheet()
  const restore = useRestoreSheet()
  const toast = useToast()
  const tell = (refusal: Error) => toast({ text: refusal.message })
  if (showDeleted)
    return (
      <DeletedList
        title="Deleted sheets"
        things={deleted.data?.map((s) => ({ id: s.id, name: s.heading || 'Exercises' }))}
        problem={deleted.error ?? restore.error}
        busy={restore.isPending}
        onRestore={(id) => restore.mutate(id)}
        onClose={() => setShowDeleted(false)}
      />
    )
  return (
    <Dialog title="Kept sheets" onClose={onClose} wide>
      <Asked of={sheets}>{null}</Asked>
      {(search || (found && found.length > 0)) && (
        <Input
          type="search"
          size="strip"
          width="w-full"
          aria-label="Search the kept sheets"
          placeholder="Search"
          value={search}
          onChange={(e) => setSearch(e.target.value)}
        />
      )}
      {found?.length === 0 && !search && !sheets.isPlaceholderData && (
        <p>
          No sheet is kept yet. <strong>Keep</strong> puts the one on the bench here, with its questions as they are
          now.
        </p>
      )}
      {found?.length === 0 && search && !sheets.isPlaceholderData && (
        <p className="py-4">No sheet has “{search}” in it.</p>
      )}
      <ul className="mt-2 flex flex-col">
        {found?.map((s) => (
          <li
            key={s.id}
            className="flex flex-wrap items-center justify-between gap-x-4 gap-y-1 border-b border-line py-2"
          >
            <button type="button" className="min-w-0 flex-1 text-left hover:bg-maple-pale" onClick={() => onOpen(s.id)}>
              <span className="block font-head text-lg font-semibold">{s.heading || 'Exercises'}</span>
              <span className="block text-sm text-soft">
                {s.instruments.map((i) => names.get(i) ?? i).join(', ')} · {s.kinds.join(', ')}
              </span>
            </button>
            <Button
              size="small"
              onClick={() =>
                copy.mutate(s.id, {
                  onSuccess: (made) => toast({ text: `“${made.heading}” is in the list.` }),
                  onError: tell,
                })
              }
            >
              Duplicate
            </Button>
            <Button
              size="small"
              onClick={() =>
                remove.mutate(s.id, {
                  onSuccess: () =>
                    toast({
                      text: `“${s.heading || 'Exercises'}” is deleted.`,
                      action: { label: 'Undo', run: () => restore.mutate(s.id, { onError: tell }) },
                    }),
                  onError: tell,
                })
              }
            >
              Delete
            </Button>
          </li>
        ))}
      </ul>
      {sheets.hasNextPage && (
        <div className="mt-3">
          <Button size="small" disabled={sheets.isFetchingNextPage} onClick={() => void sheets.fetchNextPage()}>
            Show more of the {sheets.data?.pages[0]?.total}
          </Button>
        </div>
      )}
      <div className="mt-5 flex items-center justify-between">
        <Button onClick={onClose}>Close</Button>
        {(deleted.data?.length ?? 0) > 0 && (
          <TextButton onClick={() => setShowDeleted(true)}>Deleted: {deleted.data?.length}</TextButton>
        )}
      </div>
    </Dialog>
  )
}
