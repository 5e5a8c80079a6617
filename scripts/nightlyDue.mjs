/** Between two looks at whether a backup is due. */
export const LOOK_MS = 15 * 60_000
const HOUR_MS = 3_600_000
/** So long after the last one the next is made in the night. */
const NIGHT_HOURS = 20
/** Before this hour of the machine's own day nobody treats. */
const UNTIL_HOUR = 6

/**
 * Whether the nightly backup is due: once in a night, and by day only where the house slept through
 * the night.
 * @param {Date} now by the machine's own clock
 * @param {number} last when the last one was made, milliseconds since 1970; 0 for none yet
 */
export function backupIsDue(now, last) {
  const age = now.getTime() - last
  const isNight = now.getHours() < UNTIL_HOUR
  return age > NIGHT_HOURS * HOUR_MS && (isNight || age > (NIGHT_HOURS + UNTIL_HOUR) * HOUR_MS)
}
