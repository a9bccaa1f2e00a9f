import { Refusal } from '../api/client'

/** Whether there was no answer at all, or one that says to come again later (RFC 9110, 15.6; RFC 6585, 4). */
export const isAway = (problem: unknown) =>
  problem instanceof Refusal && (problem.status === 0 || [408, 429, 502, 503, 504].includes(problem.status))

/** Whether a link has ended. */
export const isGone = (problem: unknown) => problem instanceof Refusal && problem.status === 404

/** Whether Coppia took it in and failed: the fault is not in what was sent. */
export const hasFailed = (problem: unknown) => problem instanceof Refusal && problem.status >= 500
