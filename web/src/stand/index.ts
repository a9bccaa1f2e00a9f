// What other rooms may use of this one.
export { TuneHead } from './TuneHead'
export { useOpenTune } from './useOpenTune'
