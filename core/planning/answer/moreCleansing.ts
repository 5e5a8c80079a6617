import { CLEANSE_AGAIN } from '../../catalogue/techniques/roles'
import { PAD_RULE } from '../../catalogue/rules/pads'
import type { PlanStep } from '../../catalogue/techniques/step'
import { techniqueOf } from '../../catalogue/techniques/ownWay'
import { TECHNIQUES } from '../../catalogue/techniques/techniques'
import { GROUPS } from '../../face/regions'
import type { PlanInput } from '../input'
import { freshKey } from '../steps/edit'
import { allowance } from '../today/allowed'

/**
 * The plan with one cleanse more: before a toning that found it, else straight after the step at
 * hand. Unchanged where no cleanser can be had today.
 * @param atHand key of the step at hand
 */
export function withCleanse(
  steps: readonly PlanStep[],
  atHand: string | undefined,
  input: PlanInput,
): PlanStep[] {
  const { never, products } = allowance(CLEANSE_AGAIN, input)
  const at = steps.findIndex(({ key }) => key === atHand)
  const here = steps[at]
  if (never.length > 0 || !here) return [...steps]
  const [bottle] = products
  const cleanse: PlanStep = {
    key: freshKey(steps, CLEANSE_AGAIN),
    technique: CLEANSE_AGAIN,
    minutes: TECHNIQUES[CLEANSE_AGAIN].minutes.least,
    regions: here.regions.length > 0 ? here.regions : GROUPS.faceNeckDecollete,
    ...(bottle ? { productId: bottle.product.id } : {}),
    why: [{ rule: PAD_RULE.id, text: PAD_RULE.sentence }],
  }
  const place = techniqueOf(here).stage === 'tone' ? at : at + 1
  return [...steps.slice(0, place), cleanse, ...steps.slice(place)]
}
