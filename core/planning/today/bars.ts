import { BLAND_KINDS, SMALL_WORK, type FamilyId } from '../../catalogue/kinds'
import type { Technique } from '../../catalogue/techniques/techniques'
import type { Bar, Verdict } from '../../screening/verdict/verdict'

/** Bars that stop some work; those that only restrict it are limits by now. */
export const stopping = ({ bars }: Pick<Verdict, 'bars'>): Bar[] =>
  bars.filter((bar) => bar.does !== 'restricts')

/**
 * Whether a bar speaks of a technique: of its kind of work, of whatever touches the skin, or of
 * whatever is laid on it beyond a bland cleanse and cream.
 */
export const meets = (
  { families }: Pick<Bar, 'families'>,
  technique: Pick<Technique, 'families' | 'groups' | 'connects' | 'product'>,
): boolean =>
  families.some((family) => isOf(technique, family)) ||
  (families.includes('touch') && technique.groups.length > 0 && !technique.connects?.handsOff) ||
  (families.includes('care') &&
    technique.product !== undefined &&
    technique.groups.some((group) => group !== 'body') &&
    !BLAND_KINDS.includes(technique.product))

/** Work of a kind, or small work of it. */
const isOf = ({ families }: Pick<Technique, 'families'>, family: FamilyId): boolean => {
  const small = SMALL_WORK[family]
  return families.includes(family) || (small !== undefined && families.includes(small))
}
