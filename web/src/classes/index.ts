// What other rooms may use of this one.
export { Learned } from './Learned'
export { placeOfWork } from './placeOfWork'
export { SetWork } from './SetWork'
