import { BLAND_KINDS, SMALL_WORK, type FamilyId } from '../../catalogue/kinds'
import type { Technique } from '../../catalogue/techniques/techniques'
import { oncePer } from '../../once'
import type { Bar, Verdict } from '../../screening/verdict/verdict'

/** Bars that stop some work; those that only restrict it are limits by now. */
export const stopping = ({ bars }: Pick<Verdict, 'bars'>): Bar[] =>
  bars.filter((bar) => bar.does !== 'restricts')

/**
 * Whether a bar speaks of a technique: of its kind of work, of whatever touches the skin, or of
 * whatever is laid on it beyond a bland cleanse and cream.
 */
export const meets = ({ families }: Pick<Bar, 'families'>, technique: Barred): boolean => {
  const own = kindsOf(technique)
  return families.some((family) => own.has(family))
}
type Barred = Pick<Technique, 'families' | 'groups' | 'connects' | 'product'>

/** Every kind of work that a technique is, small work of a kind counted, as bars speak of them. */
const kindsOf = oncePer(
  ({ families, groups, connects, product }: Barred): ReadonlySet<FamilyId> => {
    const kinds = new Set(families)
    for (const [family, small] of Object.entries(SMALL_WORK) as [FamilyId, FamilyId][])
      if (families.includes(small)) kinds.add(family)
    if (groups.length > 0 && !connects?.handsOff) kinds.add('touch')
    const laid = product !== undefined && groups.some((group) => group !== 'body')
    if (laid && !BLAND_KINDS.includes(product)) kinds.add('care')
    return kinds
  },
)
