// What other rooms may use of this one.
export { Door } from './Door'
export { useMe } from './queries'
export { Teachers } from './Teachers'
