import { EXFOLIATING, type FamilyId } from '../kinds'

/**
 * What work asks of the skin besides its rung and its load: families that rub, heat, carry current,
 * shine, draw or pull (common practice). Cool and covering ask nothing of it.
 */
export const STRESSES = {
  friction: ['friction', 'abrasion', 'blade', 'browBlade', 'massage'],
  heat: ['heat'],
  current: ['highFrequency', 'microcurrent'],
  light: ['lamp'],
  pull: ['vacuum', 'extraction'],
  drying: ['clay'],
  takesOff: [...EXFOLIATING, 'peel', 'ultrasound'],
} as const satisfies Readonly<Record<string, readonly FamilyId[]>>
/** Asks nothing of the skin, and is done for an intention all the same. */
export const ASKED_ONLY: readonly FamilyId[] = ['cold']
export type StressId = keyof typeof STRESSES
