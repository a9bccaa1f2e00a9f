// What other rooms may use of this one.
export { useTogether } from './queries'
export { TogetherStand } from './TogetherStand'
