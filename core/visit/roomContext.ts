import { familiesOfStep } from '../catalogue/products/families'
import { productIn } from '../catalogue/products/products'
import { techniqueOf } from '../catalogue/techniques/ownWay'
import { REGION_IDS, type RegionId } from '../face/zones'
import type { PlanInput } from '../planning/input'
import { shortDwell } from '../planning/today/adapt'
import { confirmationsFor } from '../screening/consent/confirm'
import { readRegion, type Grade } from '../skin/readings'
import { dwellWindow } from '../timing/schedule'
import type { FoldContext } from '../treatment/fold/fold'
import type { VisitBundle } from './bundle'

/** What the fold over the taps of a visit has to know of its plans and of its skin. */
export function foldContext(bundle: VisitBundle, input: PlanInput): FoldContext {
  const { madeUp, bare } = bundle.readings
  const baseline: Partial<Record<RegionId, Grade>> = {}
  const readBare: RegionId[] = []
  for (const region of REGION_IDS) {
    const seen = readRegion(bare ?? {}, region).redness
    if (seen !== undefined) readBare.push(region)
    const redness = seen ?? readRegion(madeUp ?? {}, region).redness
    if (redness !== undefined) baseline[region] = redness
  }
  return {
    plans: Object.fromEntries(bundle.plans.map((plan) => [plan.version, plan.steps])),
    dwellOf: (step, swapped) => {
      const plan = bundle.plans.find(({ steps }) => steps.includes(step))
      const laid = swapped === undefined ? step : { ...step, productId: swapped }
      const bottle = productIn(bundle.shelf, laid.productId)
      return dwellWindow(laid, shortDwell(input, plan?.steps)(laid), bottle)
    },
    familiesOf: (step) => familiesOfStep(step, bundle.shelf),
    confirmsOf: (step) =>
      confirmationsFor(techniqueOf(step), input.verdict).map(({ rule }) => rule),
    baseline,
    readBare,
  }
}
