import type { Technique } from '../../catalogue/techniques/techniques'
import { restBars } from '../../load/rest'
import { barsFromBreakout } from '../../screening/breakout'
import { barsFromSkin } from '../../screening/skin'
import type { Bar } from '../../screening/verdict'
import type { PlanInput } from '../input'

/** All bars of today: answers, the skin's own redness, and rest intervals. */
export function allBars(input: Pick<PlanInput, 'verdict' | 'profile' | 'past' | 'today'>): Bar[] {
  return [
    ...input.verdict.bars,
    ...barsFromSkin(input.profile),
    ...barsFromBreakout(input.profile),
    ...restBars(input.past, input.today),
  ].filter((bar) => bar.does !== 'restricts')
}

/** Whether a bar speaks of a technique: of its kind of work, or of whatever touches the skin. */
export const meets = (
  { families }: Pick<Bar, 'families'>,
  technique: Pick<Technique, 'families' | 'groups'>,
): boolean =>
  families.some((family) => technique.families.includes(family)) ||
  (families.includes('touch') && technique.groups.length > 0)
