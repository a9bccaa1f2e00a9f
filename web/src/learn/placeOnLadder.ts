/** Where one stands, as a device keeps it: rungs and counts, so that it fits a ladder to another goal too. */
export type Climb = { rung: number; clean: number; failed: number }

/**
 * The place that was kept; where another goal has made another ladder of it, the same rung counted anew, else the
 * beginning.
 */
export const placeOnLadder = <T extends Climb>(places: readonly T[], kept: Climb | null | undefined): T | undefined =>
  places.find((p) => p.rung === kept?.rung && p.clean === kept.clean && p.failed === kept.failed) ??
  places.find((p) => p.rung === kept?.rung && p.clean === 0 && p.failed === 0) ??
  places[0]
