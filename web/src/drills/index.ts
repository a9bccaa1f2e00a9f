// What other rooms may use of this one.
export { sent, type Judge, type Reply } from './queries'
export { Round } from './Round'
