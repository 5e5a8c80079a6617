import { techniqueOf } from '../../catalogue/techniques/ownWay'
import type { PlanStep } from '../../catalogue/techniques/step'
import { nameRegions } from '../../face/regions'
import type { PlanInput, ShelfItem } from '../input'
import { allowance } from './allowed'
import { bottleInHand, NO_BOTTLE, productTrouble } from './bottles'

/**
 * Whether it is the client that a product is not for. Where none of its bottles is fit, one that was
 * called back, that is said of the bottle; what is told against the product is said all the same.
 */
const isForClient = ({ product, lots }: ShelfItem, input: PlanInput): boolean =>
  bottleInHand(product, lots, input.today) === undefined &&
  productTrouble(product, [], input).every(({ rule }) => rule === NO_BOTTLE)

/**
 * Why a step of a plan may not be done any more, by what is known of the client now: an answer that
 * was told while the visit runs counts for the step at hand too. What the house lacks is no matter of
 * a hand that has begun, and what is taking something off goes on whatever was told.
 * @param step as it is worked, without the zones that are left already
 * @param usedId the bottle that it is done with
 * @returns a sentence; empty where nothing speaks against it
 * @example barredNow(steam, input, undefined) // 'Not on the cheeks now: keep heat off lesions.'
 */
export function barredNow(step: PlanStep, input: PlanInput, usedId: string | undefined): string {
  if (techniqueOf(step).removes) return ''
  const [prevented] = input.verdict.prevented
  if (prevented) return `Stop here. ${prevented.sentence}`
  const told = new Set(input.verdict.bars.map(({ rule }) => rule))
  const { never, barred, products } = allowance(step, input)
  const nowhere = never.find(({ rule }) => told.has(rule))
  if (nowhere) return `Not this step now: ${nowhere.text}`
  const hit = step.regions.flatMap((region) => {
    const why = barred.get(region)?.find(({ rule }) => told.has(rule))
    return why ? [{ region, why }] : []
  })
  const [first] = hit
  if (first) return `Not on ${nameRegions(hit.map(({ region }) => region))} now: ${first.why.text}`
  const mine = input.shelf.find(({ product }) => product.id === usedId)
  const fits = products.some(({ product }) => product.id === usedId)
  return mine && !fits && !isForClient(mine, input)
    ? `${mine.product.name} is not for this client now.`
    : ''
}
