// What other rooms may use of this one.
export { DeskView } from './DeskView'
export { KeptVersions } from './KeptVersions'
export { begun, isEmpty, type PieceDoc } from './piece'
export { useDeletedTasks, usePieces, useRestoreTask } from './queries'
export { useDesk } from './useDesk'
export { usePlayPiece } from './usePlayPiece'
