// What other rooms may use of this one.
export { HoldTone } from './HoldTone'
