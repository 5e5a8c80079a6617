import { COMMON_PRACTICE, type ProductKind } from '../kinds'

/** How one kind of mask comes off, whatever the house takes off with. */
interface RemovalWay {
  kind: ProductKind
  /** What is done before the first wipe. */
  first: string
  water: 'cool' | 'lukewarm'
  /** Wipes until the hand feels skin, as a rule. */
  wipes: readonly [least: number, most: number]
  source: string
}
const way = (
  kind: ProductKind,
  first: string,
  water: RemovalWay['water'],
  wipes: RemovalWay['wipes'],
): RemovalWay => ({ kind, first, water, wipes, source: COMMON_PRACTICE })

/** Masks that are wiped off; what has a way of its own (rubbed, neutralised, in oil) is not here. */
export const REMOVAL_WAYS: readonly RemovalWay[] = [
  way('settingClay', 'wet it until it darkens', 'lukewarm', [3, 4]),
  way('powderMask', 'wet it until it darkens', 'lukewarm', [3, 4]),
  way('exfoliatingMask', 'wet fingers loosen the grains, no rubbing', 'lukewarm', [3, 4]),
  way('resurfacingMask', 'wet it until it gives', 'cool', [2, 3]),
  way('enzymeMask', 'at once, no rubbing', 'cool', [2, 3]),
  way('acidMask', 'at once: a little water wakes it once more', 'cool', [2, 3]),
  way('creamMask', 'lift off what is too much', 'lukewarm', [2, 3]),
  way('hydratingMask', 'press in or lift off what is too much', 'lukewarm', [1, 2]),
  way('sheetMask', 'peel it off from the chin up', 'cool', [1, 1]),
  way('eyeMask', 'lift it off outwards', 'cool', [1, 2]),
]
