// What other rooms may use of this one.
export { useLesson, useLessons } from './queries'
