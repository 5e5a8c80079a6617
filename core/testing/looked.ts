/**
 * How many cases a property must have come to, to have looked at anything at all. Where it is only
 * looked at for a moment, while one change of the code after the other is tried, none is asked for.
 */
export const atLeastLooked = (count: number): number => (process.env.OAK_HASTE ? 0 : count)
