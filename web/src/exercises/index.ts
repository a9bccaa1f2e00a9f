// What other rooms may use of this one.
export { useDeletedSheets, useRestoreSheet, useSheets } from './queries'
export { QuestionNotes } from './QuestionNotes'
export { useOpenBench } from './useOpenBench'
export { usePieces, type PieceOf } from './usePieces'
