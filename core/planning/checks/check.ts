import { ORDER_RULES } from '../../catalogue/rules/orderRules'
import { PAIRS, type Pair } from '../../catalogue/rules/pairs'
import { asWorkedNow } from '../../catalogue/techniques/ownWay'
import type { PlanStep } from '../../catalogue/techniques/step'
import { REGION_IDS, type RegionId } from '../../face/zones'
import { toleranceOf, type Tolerance } from '../../load/tolerance'
import { allowances } from '../today/allowed'
import { afterSunFindings, backboneFindings, coverFindings, endFindings } from './backbone'
import { cleanseFindings } from './cleanses'
import { clockFindings } from './clock'
import { deviceFindings } from './devices'
import type { Checking, PlanFinding, Rules } from './finding'
import { floorFindings } from './floor'
import { loadFindings } from './load'
import {
  exfoliationFindings,
  finishFindings,
  layerFindings,
  warmthFindings,
  washedOffFindings,
} from './order'
import { pairFindings, permitFindings } from './permits'
import { sumFindings } from './sums'
import { calmFindings, productFindings } from './products'
import { afterFindings, beforeFindings, followFindings, surfaceFindings } from './surface'
import type { PlanInput } from '../input'
import { trace, type Trace } from '../steps/trace'

export type { Mend, PlanFinding } from './finding'
export { placeFor } from './floor'
export { freshStep } from '../today/fresh'
export interface Check {
  trace: Trace
  tolerances: Readonly<Record<RegionId, Tolerance>>
  findings: readonly PlanFinding[]
}

/**
 * Everything that stands against a plan, with one-tap mends. A plan is fit when no finding is a
 * stop.
 * @param rules and @param pairs the rows that are worked with; all of them but in a check of
 *   single rows
 */
export function checkPlan(
  input: PlanInput,
  planned: readonly PlanStep[],
  rules: Rules = ORDER_RULES,
  pairs: readonly Pair[] = PAIRS,
): Check {
  const steps = asWorkedNow(planned, input.ways)
  const walked = trace(input, steps)
  const tolerances = Object.fromEntries(
    REGION_IDS.map((region) => [
      region,
      toleranceOf(input.profile, region, input.verdict.limit.tolerancePercent),
    ]),
  ) as Record<RegionId, Tolerance>
  // Whoever puts strong work into a plan by hand has named it.
  const named = [...(input.named ?? []), ...steps.map(({ technique }) => technique)]
  const allow = allowances({ ...input, named })
  const checking: Checking = { input, steps, walked, tolerances, allow, rules }
  const findings = [
    ...floorFindings(checking),
    ...cleanseFindings(checking),
    ...backboneFindings(checking),
    ...endFindings(checking),
    ...coverFindings(checking),
    ...afterSunFindings(checking),
    ...steps.flatMap((step, i) => [
      ...permitFindings(step, checking),
      ...productFindings(step, checking),
      ...calmFindings(step, i, checking),
      ...surfaceFindings(step, i, checking),
      ...beforeFindings(step, i, checking),
      ...afterFindings(step, i, checking),
      ...followFindings(step, i, checking),
    ]),
    ...pairFindings(checking, pairs),
    ...loadFindings(checking),
    ...sumFindings(checking),
    ...clockFindings(checking),
    ...deviceFindings(checking),
    ...exfoliationFindings(checking),
    ...warmthFindings(checking),
    ...layerFindings(checking),
    ...washedOffFindings(checking),
    ...finishFindings(checking),
  ]
  return { trace: walked, tolerances, findings }
}

/** Nothing stops this plan from being worked; what only warns may stand. */
export const isFit = (check: Check) =>
  check.findings.every((finding) => finding.strength !== 'stop')
