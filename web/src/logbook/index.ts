// What other rooms may use of this one.
export { AskFirst, AskFirstOfClass } from './AskFirst'
export { useLogbook } from './queries'
