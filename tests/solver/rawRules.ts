import { RETURNS } from '#core/catalogue/rules/value'
import { EXFOLIATING, type ConcernId, type FamilyId } from '#core/catalogue/kinds'
import type { TechniqueId } from '#core/catalogue/techniques/techniques'

/** What counts as an exfoliation of the visit: what takes something off, and the spatula. */
export const COUNTED: readonly FamilyId[] = [...EXFOLIATING, 'ultrasound']

/** Single steps in the order of the visit; every one may be left out but the floor. */
export const FLOOR: readonly TechniqueId[] = [
  'settle',
  'eyesOff',
  'milk',
  'secondReading',
  'moisturiser',
  'sunProtection',
  'close',
]
export const CLEANSES: readonly TechniqueId[] = ['secondCleanse', 'oilCleanse']
export const ORDER: readonly (readonly TechniqueId[])[] = [
  ['settle'],
  ['eyesOff'],
  ['milk'],
  ['secondReading'],
  CLEANSES,
  ['tone'],
  ['steam'],
  ['grain'],
  ['tip', 'spatula'],
  ['highFrequency'],
  ['massage', 'stones'],
  ['cold'],
  ['tone'],
  ['serum'],
  ['eyeProduct'],
  ['moisturiser'],
  ['lipCare'],
  ['sunProtection'],
  ['close'],
]
export const CHOSEN: readonly TechniqueId[] = [
  'tone',
  'steam',
  'grain',
  'tip',
  'spatula',
  'highFrequency',
  'cold',
  'massage',
  'stones',
  'serum',
  'eyeProduct',
  'lipCare',
]

/** Gets its usual minutes or is left out, from the standard visit on; unhurried, all its time. */
export const USUAL: Partial<Record<TechniqueId, number>> = { steam: 5, massage: 10, stones: 5 }
/** Goes only where the skin asks for what it is mainly for: two of four at least. */
export const ASKED: Partial<Record<TechniqueId, readonly ConcernId[]>> = {
  grain: ['dullness'],
  tip: ['dullness', 'congestion'],
  spatula: ['congestion'],
}

/** What an effect is worth: less and less of it. */
export const gain = (event: number) => {
  let out = 0
  let from = 0
  for (const part of RETURNS) {
    const to = Math.min(event, part.upTo)
    if (to > from) out += (to - from) * part.slope
    from = Math.max(from, part.upTo)
  }
  return out
}
