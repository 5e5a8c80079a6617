/** How often a week, in words. */
export const timesAWeek = (times: number): string =>
  times === 0 ? 'not used' : times === 1 ? 'once a week' : `${times} times a week`
