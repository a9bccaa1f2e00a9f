// What other rooms may use of this one.
export { Ladders } from './Ladders'
