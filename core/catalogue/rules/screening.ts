import type { TechniqueId } from '../techniques/techniques'

/** Under this age a guardian signs; the practice's local age may be higher. */
export const GUARDIAN_AGE = 16
/** Days before a licence runs out in which it is said. House value. */
export const WARN_DAYS = 60
/** A doctor's word is written down with at least so many letters. */
export const WORD_LETTERS = 3
/** From so many zones on a place is the whole face: none of them is named. */
export const MANY_ZONES = 9
/**
 * A dab is read at 24 h and again at 48 h; late reactions up to 96 h are possible. A clear test holds
 * for six months. Common practice.
 */
export const PATCH_HOURS = { first: 24, second: 48, late: 96 } as const
export const PATCH_DAYS = 183
/** A month of the time after opening, days. */
export const MONTH_DAYS = 30.4
/** The bottles that every visit begins with: before them all labels have been read. */
export const FIRST_BOTTLES: readonly TechniqueId[] = ['eyesOff', 'milk']
/** The row under which an allergy that is not named yet asks before every bottle. */
export const UNNAMED_ALLERGY = 'allergy-products'
