import type { Work } from '../register/queries'

/** Where something that is set is opened. */
export const placeOfWork = (work: Work, classId: number) =>
  work.taskId !== null
    ? `/classes/${classId}/pieces?work=${work.id}`
    : work.tuneId !== null
      ? `/tunes/${work.tuneId}`
      : work.sheetId !== null
        ? `/exercises/${work.sheetId}`
        : '/cards'
