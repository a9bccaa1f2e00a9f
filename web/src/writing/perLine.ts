import { useSmall } from '../ui/useSmall'

/** Bars in a line of the writing staff: fewer where there is little room, so that notes stay large enough to aim at. */
export const usePerLine = () => (useSmall() ? 2 : 4)
