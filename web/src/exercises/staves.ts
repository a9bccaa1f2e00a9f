import { STAVES_MM } from '../engraving/layout'

/** Height of the staff for young hands and their pencils, in millimetres; the usual one here. */
export const YOUNG_STAFF_MM = 9

export const STAVES = [...STAVES_MM, 11, 12] as const
