import { COMMON_PRACTICE } from '../kinds'

/** What shows whether a routine at home is kept. House values within common practice. */
export const KEPT_RULES = {
  /** Evenings that were told against those that were written, per cent: kept from, not kept below. */
  evenings: { keptFrom: 75, notBelow: 50 },
  /** What is left of a pack against what should be, per cent of the pack: further off is not kept. */
  packOff: 25,
  /**
   * Readings that home moves, and which way is better. One grade is not a change; so many zones must
   * show one.
   */
  skin: {
    better: { water: 1, congestion: -1, redness: -1 },
    grades: 2,
    zones: 2,
  },
  source: `${COMMON_PRACTICE}; house values`,
} as const

/** What is left of a pack, as somebody says it, per cent. */
export const PACK_LEFT = {
  full: { words: 'nearly full', percent: 100 },
  most: { words: 'three quarters', percent: 75 },
  half: { words: 'half', percent: 50 },
  little: { words: 'a quarter', percent: 25 },
  empty: { words: 'empty', percent: 0 },
} as const
export type PackLeft = keyof typeof PACK_LEFT
export const PACK_LEFT_IDS = Object.keys(PACK_LEFT) as [PackLeft, ...PackLeft[]]

/** How a routine is kept, in words that accuse nobody. */
export const KEPT_LEVELS = {
  likely: { words: 'likely kept', advice: 'Go on with what was written.' },
  partly: { words: 'partly kept', advice: 'Ask which steps go well, and write those.' },
  not: {
    words: 'not kept so far',
    advice: 'Ask what makes it hard. Two steps that are done beat six that are not.',
  },
  unknown: { words: 'nothing to go by yet', advice: '' },
} as const
export type KeptLevel = keyof typeof KEPT_LEVELS
