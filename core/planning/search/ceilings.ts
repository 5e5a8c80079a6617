import { REGION_IDS, type RegionId } from '../../face/zones'
import type { PlanCase } from '../question/planCase'

/**
 * What each region may hold at most in any plan, hundredths, in the order of the regions: its
 * tolerance; where it already carries more than that, just what it carries, since nothing may be
 * added there and nothing is taken away. No plan goes over it, so a price on the room under it is
 * never a penalty.
 * @param loads what the regions carry at the start
 */
export const ceilingsOf = (
  planCase: Pick<PlanCase, 'tolerance'>,
  loads: Readonly<Record<RegionId, number>>,
): number[] => REGION_IDS.map((region) => Math.max(planCase.tolerance[region], loads[region]))
