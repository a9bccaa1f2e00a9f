/**
 * The millimetres that were typed, with a comma or a point; null for what is no plain number. Which lengths can be, the
 * server says.
 */
export const lengthOf = (typed: string): number | null =>
  /^\d{1,12}([.,]\d{0,3})?$/.test(typed.trim()) ? Number(typed.trim().replace(',', '.')) : null
