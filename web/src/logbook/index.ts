// What other rooms may use of this one.
export { AskFirst } from './AskFirst'
export { useLogbook } from './queries'
