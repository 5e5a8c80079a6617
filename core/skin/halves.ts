/**
 * One half worked, the other left: the same features on both, before and after, under one light.
 */
export const HALF_FEATURES = [
  'residue',
  'feel',
  'brow',
  'fold',
  'puffiness',
  'redness',
  'glow',
] as const
export type HalfFeature = (typeof HALF_FEATURES)[number]
export const HALF_FEATURE_NAMES: Readonly<Record<HalfFeature, string>> = {
  residue: 'Residue on the pad',
  feel: 'Tight or dry, as the client says',
  brow: 'Brow height',
  fold: 'Depth of the fold',
  puffiness: 'Puffiness',
  redness: 'Redness',
  glow: 'Glow',
}
/** Grades 0–4 on the client's left and right. */
export type Halves = Partial<Record<HalfFeature, { L: number; R: number }>>
export interface HalfFace {
  id: string
  moment: 'before' | 'after'
  worked: 'L' | 'R'
  light: string
  grades: Halves
  at: number
}
interface HalfScore {
  feature: HalfFeature
  worked: number
  other: number
  difference: number
}

/**
 * What changed on the worked half beyond what changed on the other. One grade is what an eye
 * repeats within, so that a difference of 1 says nothing yet.
 * @returns only features that were graded on both halves, before and after
 */
export function scoreHalves(before: Halves, after: Halves, worked: 'L' | 'R'): HalfScore[] {
  const other = worked === 'L' ? 'R' : 'L'
  return HALF_FEATURES.flatMap((feature) => {
    const earlier = before[feature]
    const one = after[feature]
    if (!earlier || !one) return []
    const onWorked = one[worked] - earlier[worked]
    const onOther = one[other] - earlier[other]
    return [{ feature, worked: onWorked, other: onOther, difference: onWorked - onOther }]
  })
}
/** One grade is what an eye repeats within (common practice). */
const REPEATED_WITHIN = 1
/** Whether a difference, in grades, is more than an eye repeats. */
export const beyondTheEye = (difference: number): boolean => Math.abs(difference) > REPEATED_WITHIN
/** Whether the two looks can be compared: the same half and the same light. */
export const comparable = (before: HalfFace, after: HalfFace): boolean =>
  before.worked === after.worked &&
  before.light.trim().toLowerCase() === after.light.trim().toLowerCase()
