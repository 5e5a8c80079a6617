import { connectorWants } from '../../catalogue/techniques/roles'
import type { PlanStep } from '../../catalogue/techniques/step'
import { nameRegions } from '../../face/regions'
import { productTrouble } from '../today/bottles'
import { finding, remove, type Checking, type Mend, type PlanFinding } from './finding'

const use = (step: PlanStep, product: { id: string; name: string }): Mend => ({
  label: `Use ${product.name}`,
  minutes: 0,
  edits: [{ do: 'set', key: step.key, patch: { productId: product.id } }],
})

/** Whether the bottle of a step is there, of the right kind, and fit for this client. */
export function productFindings(step: PlanStep, { input, allow, rules }: Checking): PlanFinding[] {
  const allowance = allow(step)
  const wanted = allowance.technique.product
  if (!wanted) return []
  const best = allowance.products[0]?.product
  const swap = best && best.id !== step.productId ? [use(step, best)] : []
  if (step.productId === undefined)
    return allowance.never.length > 0
      ? []
      : finding(rules, 'no-product', `${allowance.technique.name}: no product chosen`, {
          key: step.key,
          mends: swap,
        })
  const item = input.shelf.find((item) => item.product.id === step.productId)
  const mends = swap.length > 0 ? swap : [remove(step)]
  if (!item || item.product.kind !== wanted)
    return finding(
      rules,
      'no-product',
      `${allowance.technique.name}: that product is not on the shelf`,
      {
        key: step.key,
        mends,
      },
    )
  const trouble = productTrouble(item.product, item.lots, input)[0]
  return trouble
    ? finding(rules, 'product-barred', `${item.product.name}: ${trouble.text}`, {
        key: step.key,
        mends,
        why: trouble,
      })
    : []
}

/**
 * What is put on skin that has just been abraded or punctured must be of the calming range. A
 * connecting mist for which none is on the shelf is let pass.
 */
export function calmFindings(
  step: PlanStep,
  i: number,
  { input, walked, allow, rules }: Checking,
): PlanFinding[] {
  const before = walked.states[i]?.before
  const allowance = allow(step)
  const item = input.shelf.find((item) => item.product.id === step.productId)
  const worked = before ? step.regions.filter((region) => before[region].skin !== 'intact') : []
  if (!allowance.technique.product || !item || item.product.calming || worked.length === 0)
    return []
  const calm = allowance.products.find((product) => product.product.calming)?.product
  if (!calm && connectorWants(step.technique) !== undefined) return []
  return finding(
    rules,
    'calm-only',
    `${item.product.name} on ${nameRegions(worked)}: only calming products after this work`,
    { key: step.key, regions: worked, mends: [calm ? use(step, calm) : remove(step)] },
  )
}
