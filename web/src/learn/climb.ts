/** Where one stands on a tempo ladder. */
export type Climb = { rung: number; clean: number; failed: number }

type LadderRungs = { rungs: readonly number[]; cleanToClimb: number; failsToFall: number }

/** The tempo that a try has just mastered: a rung that is left upwards, or the last clean repeat on the top one; else null. */
export function mastered(before: Climb, after: Climb, { rungs, cleanToClimb }: LadderRungs): number | null {
  const isTop = before.rung === rungs.length - 1 && before.clean < cleanToClimb && after.clean >= cleanToClimb
  return after.rung > before.rung || isTop ? (rungs[before.rung] ?? null) : null
}

/** After one more try: enough clean ones climb, enough failures fall, and each of them begins to count anew on a rung. */
export function climbed(
  { rung, clean, failed }: Climb,
  isClean: boolean,
  { rungs, cleanToClimb, failsToFall }: LadderRungs,
): Climb {
  if (isClean) {
    if (clean + 1 < cleanToClimb || rung === rungs.length - 1)
      return { rung, clean: Math.min(cleanToClimb, clean + 1), failed: 0 }
    return { rung: rung + 1, clean: 0, failed: 0 }
  }
  return failed + 1 < failsToFall
    ? { rung, clean: 0, failed: failed + 1 }
    : { rung: Math.max(0, rung - 1), clean: 0, failed: 0 }
}
