import type { HouseStyle, StyleSetting } from '../api/client'

/** What a style has chosen for a setting; an instrument’s fingers are its first way until another is. */
export function chosenIn(style: HouseStyle, { key, instrument, options }: StyleSetting): string {
  const chosen = instrument ? style.alternatives?.[instrument] : style[key as keyof HouseStyle]
  return typeof chosen === 'string' ? chosen : (options[0]?.value ?? '')
}

/** The style with another choice for a setting. */
export const withChoice = (style: HouseStyle, { key, instrument }: StyleSetting, value: string): HouseStyle =>
  instrument ? { ...style, alternatives: { ...style.alternatives, [instrument]: value } } : { ...style, [key]: value }
