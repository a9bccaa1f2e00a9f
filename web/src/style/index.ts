// What other rooms may use of this one.
export { useAddStyle, useDeletedStyles, useRestoreStyle, useSaveStyle, useStyles } from './queries'
export { useStyleDrafts } from './useStyleDrafts'
