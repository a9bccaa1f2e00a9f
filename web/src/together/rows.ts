import { ROWS } from '../engraving/layout'

/** Rows that may stand under the sections’ own; under a staff each there is room for the pairs alone. */
export const SHARED = ROWS.filter((r) => r.id === 'name' || r.id === 'count' || r.id === 'bow')
