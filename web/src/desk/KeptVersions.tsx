import { momentOf } from '../calendar/days'
import type { components } from '../api/schema'
import { Button } from '../ui/Button'
import { Dialog } from '../ui/Dialog'
import { SeenStaff } from './SeenStaff'
import type { DeskTask, PieceDoc } from './piece'

const ROOM_PX = 460

/** How the piece was, the latest first; each can be taken back. */
export function KeptVersions({
  task,
  versions,
  onTake,
  onClose,
}: {
  task: DeskTask
  versions: readonly components['schemas']['PieceVersion'][]
  /** Null while the piece is locked. */
  onTake: ((piece: PieceDoc) => void) | null
  onClose: () => void
}) {
  return (
    <Dialog title="How it was before" onClose={onClose}>
      {versions.length === 0 && (
        <p>There is no earlier version yet. One is kept for every time you sit down, and before you begin anew.</p>
      )}
      <ol className="flex flex-col gap-4">
        {versions.map((v) => (
          <li key={v.id} className="border-b border-line pb-3">
            <div className="mb-1 flex flex-wrap items-center justify-between gap-3">
              <strong>{momentOf(v.madeAt)}</strong>
              <Button
                size="small"
                disabled={!onTake}
                onClick={() => {
                  onTake?.(v.piece)
                  onClose()
                }}
              >
                Take this back
              </Button>
            </div>
            <div className="overflow-hidden bg-sheet">
              <SeenStaff task={task} piece={v.piece} room={ROOM_PX} space={7} pairs label="How it was" />
            </div>
          </li>
        ))}
      </ol>
      <div className="mt-4">
        <Button onClick={onClose}>Close</Button>
      </div>
    </Dialog>
  )
}
