import { connectorWants } from '../../catalogue/techniques/roles'
import type { PlanStep } from '../../catalogue/techniques/step'
import { techniqueOf } from '../../catalogue/techniques/ownWay'
import type { PlanInput } from '../input'
import { freshKey } from '../steps/edit'
import { wantsWords, type Connection } from '../steps/mend'
import { allowance } from '../today/allowed'

/**
 * The plan with connecting work straight before the step at hand, which does not find the skin as
 * it needs it.
 * @param every steps of every version: a key is never given twice in a visit
 * @param atHand key of the step at hand
 */
export function withFirst(
  steps: readonly PlanStep[],
  every: readonly PlanStep[],
  atHand: string,
  first: Connection['steps'],
  input: PlanInput,
): PlanStep[] {
  const at = steps.findIndex(({ key }) => key === atHand)
  const here = steps[at]
  if (!here) return [...steps]
  const added: PlanStep[] = []
  for (const { technique, minutes, regions } of first) {
    const [bottle] = allowance(technique, input).products
    added.push({
      key: freshKey([...every, ...steps, ...added], technique),
      technique,
      minutes,
      regions,
      ...(bottle ? { productId: bottle.product.id } : {}),
      why: [
        {
          rule: 'surface',
          text: wantsWords(techniqueOf(here), connectorWants(technique)),
        },
      ],
    })
  }
  return [...steps.slice(0, at), ...added, ...steps.slice(at)]
}
