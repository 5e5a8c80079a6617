/**
 * Hours in which half the load has drained. Anchored to barrier recovery after tape stripping: about
 * half in 24 h at 20–30 years, about 15 % over 80 (Ghadially et al., J Clin Invest 1995; values from
 * memory), so 24 h to 102 h, linear in age between 25 and 80.
 */
export const HALF_LIFE = {
  young: { age: 25, hours: 24 },
  old: { age: 80, hours: 102 },
  /** Whose age is not known counts as this old. */
  unknownAge: 45,
  /** Thirsty skin recovers half as fast again (house scale). */
  thirstyFactor: 1.5,
} as const
/** Less than this many hundredths is an empty basin; an exponential never quite gets there. */
export const EMPTY_BELOW = 0.05
/**
 * Weeks back that a habit at home is reckoned with; the basin has drained of what lies further back.
 */
export const HABIT_WEEKS = 4
/** A habit is at most so often a week. */
export const MOST_A_WEEK = 14
