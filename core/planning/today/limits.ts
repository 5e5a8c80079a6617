import { ALL_PERCENT } from '../../units'
import type { Pair } from '../../catalogue/rules/pairs'
import { methodOf } from '../../catalogue/schools/schools'
import type { PlanInput } from '../input'
import { exfoliatedToday, isResilient } from './adapt'

/** Why something new waits until after an event (common practice). */
export const NOTHING_NEW = 'nothing new in the seven days before an event'

type House = Pick<
  PlanInput,
  'school' | 'policy' | 'profile' | 'licences' | 'firstVisit' | 'verdict' | 'answers' | 'today'
>

/** A skin that was never worked on here is not known yet: nothing strong, unless the house says so. */
export const careful = ({ firstVisit, school, policy }: House): boolean =>
  firstVisit && !methodOf(school, policy).boldFirst

/** Skin that reads resilient and of which nothing was told that lowers its tolerance. */
const bearsTwo = ({ profile, verdict }: House): boolean =>
  isResilient(profile) && verdict.limit.tolerancePercent >= ALL_PERCENT

/** How many exfoliations this skin may have in one visit: the house's number only on resilient skin. */
export function mostExfoliations(input: House): number {
  const most =
    bearsTwo(input) && !careful(input) ? methodOf(input.school, input.policy).exfoliationLimit : 1
  return exfoliatedToday(input) ? most - 1 : most
}

/**
 * Whether a pair that never shares a visit is waived today: where the house allows it, for trained
 * hands, on resilient skin.
 */
export const pairWaived = ({ unless }: Pair, input: House): boolean =>
  unless === 'peelWithMachine' &&
  methodOf(input.school, input.policy).peelWithMachine &&
  bearsTwo(input) &&
  input.licences.includes('machine')
