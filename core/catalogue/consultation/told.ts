/**
 * Moments at home that are told by a word, by the clock of the house. House values.
 */
export const TOLD_MOMENTS = {
  morning: { words: 'This morning', hour: 8, daysBack: 0 },
  night: { words: 'Last night', hour: 21, daysBack: 1 },
} as const
export type ToldMomentId = keyof typeof TOLD_MOMENTS
export const TOLD_MOMENT_IDS = Object.keys(TOLD_MOMENTS) as ToldMomentId[]
