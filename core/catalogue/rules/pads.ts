import { COMMON_PRACTICE } from '../kinds'

/** What a pad looks like after a wipe. Common practice. */
export const PAD_GRADES = [0, 1, 2, 3] as const
export type PadGrade = (typeof PAD_GRADES)[number]
export const PAD_WORDS: Readonly<Record<PadGrade, string>> = {
  0: 'clean',
  1: 'a trace',
  2: 'soiled',
  3: 'heavy',
}

/** From this grade on a pad is soiled; soiled twice asks for another cleanse. */
export const SOILED_FROM: PadGrade = 2
export const SOILED_TWICE = 2
/** More wipes than this rub; what is left then needs a cleanse, not a pad. House value. */
export const MOST_WIPES = 4

export const PAD_RULE = {
  id: 'pads-clean-enough',
  sentence: 'Wipe until a pad stays clean; a pad soiled twice asks for another cleanse.',
  source: COMMON_PRACTICE,
}
export const WORST_PAD: PadGrade = 3
