import { EXFOLIATING, type FamilyId } from '../kinds'

/** Redness from this grade on is red already: there is no room left to see a reaction start. */
export const RED_FROM = 2

/** What red skin is spared: exfoliation of any rung, heat, pulling and current (common practice). */
export const RED_SKIN_BARS: readonly FamilyId[] = [
  ...EXFOLIATING,
  'peel',
  'ultrasound',
  'vacuum',
  'heat',
  'highFrequency',
  'microcurrent',
]

/** What stings is spared that as well, and whatever stays on and works (common practice). */
export const STUNG_SKIN_BARS: readonly FamilyId[] = [
  ...RED_SKIN_BARS,
  'extraction',
  'retinoid',
  'leaveOnActive',
  'alcohol',
]
