// What other rooms may use of this one.
export { EditTune } from './EditTune'
export { KeptText } from './KeptText'
export {
  ALL_TUNES,
  useAddTune,
  useDeleteTune,
  useDeletedTunes,
  useRestoreTune,
  useSaveTune,
  useTune,
  useTunes,
} from './queries'
export { TuneField } from './TuneField'
export { useTuneDraft } from './useTuneDraft'
export { WhichLine } from './WhichLine'
