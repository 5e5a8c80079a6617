import { COMMON_PRACTICE } from '../kinds'

/**
 * How pink comes and goes: what a technique adds (`leaves.redness`) fades within about half an
 * hour. Common practice.
 */
export const FADES_IN_MINUTES = 30
/** A zone that was pinker than its baseline is looked at again after so long. House value. */
export const LOOK_AGAIN_MINUTES = { working: 1, after: 10 } as const
export const COURSE_RULE = {
  id: 'redness-course',
  sentence: 'Expected pink fades within half an hour; what stays or grows is a reaction.',
  source: COMMON_PRACTICE,
}
