import { ADAPTATIONS } from '../../catalogue/skin/adaptations'
import type { ProductKind } from '../../catalogue/kinds'
import { MIXES } from '../../catalogue/products/mixes'
import type { Product } from '../../catalogue/products/products'
import type { PlanStep } from '../../catalogue/techniques/step'
import type { AlsoOn } from '../../catalogue/techniques/technique'
import { techniqueOf } from '../../catalogue/techniques/ownWay'
import { TECHNIQUES, type Technique } from '../../catalogue/techniques/techniques'
import { GROUPS } from '../../face/regions'
import { shareWorked } from '../../face/sides'
import { amountFor, amountOfMeasures, type Amount } from '../../dosing/amount'
import { doseOf, type DoseFor } from '../../dosing/layers'
import { oncePer } from '../../once'
import type { PlanInput, ShelfItem } from '../input'
import { usableProducts } from './bottles'

/**
 * What a technique takes from the shelf beside its own product, and what takes it off again takes: a
 * mask that cannot come off is not laid. What takes off stands as it is: whatever lies there must go.
 */
export const takenAlong = oncePer(
  ({ takesAlso, removes, removedBy }: Technique): readonly ProductKind[] =>
    removes
      ? []
      : [...(takesAlso ?? []), ...(removedBy ? (TECHNIQUES[removedBy].takesAlso ?? []) : [])].map(
          kindOf,
        ),
)
const kindOf = (also: ProductKind | AlsoOn): ProductKind =>
  typeof also === 'string' ? also : also.kind

/** A bottle that a step takes beside its own: emulsifier over oil, activator into powder. */
export interface Alongside {
  kind: ProductKind
  /** The bottle and how much of it; none where the shelf has none for this client. */
  from?: ShelfItem & { amount: Amount }
}

/** Everything a step takes beside its own product, each with its own amount. */
export function alongside(step: PlanStep, input: PlanInput): Alongside[] {
  const { takesAlso = [] } = techniqueOf(step)
  return takesAlso.map((also) => {
    const kind = kindOf(also)
    const on = typeof also === 'string' ? step : { ...step, regions: GROUPS[also.on] }
    const [choice] = usableProducts(kind, input, ADAPTATIONS)
    const item = input.shelf.find(({ product }) => product.id === choice?.product.id)
    if (!item) return { kind }
    const { product, lots } = item
    return { kind, from: { product, lots, amount: amountBeside(on, product, input) } }
  })
}

/** What is stirred into a powder goes by the powder's own scoop; the rest by its film. */
function amountBeside(
  step: PlanStep,
  product: Product,
  input: DoseFor & Pick<PlanInput, 'shelf'>,
): Amount {
  const own = input.shelf.find((item) => item.product.id === step.productId)?.product
  const mixed = MIXES.find(({ kind, liquid }) => kind === own?.kind && liquid === product.kind)
  return own && mixed
    ? amountOfMeasures(product, own.dispenser, doseOf(step, own, input).count * mixed.liquidParts)
    : amountFor(product, step.regions, input.faceSize, shareWorked(step))
}

/**
 * Products that a step takes beside its own as it was planned, whatever was called back since.
 * @returns their ids
 */
export const plannedAlong = (step: PlanStep, input: PlanInput): string[] =>
  alongside(step, {
    ...input,
    shelf: input.shelf.map(({ product, lots }) => ({
      product,
      lots: lots.map((lot) => ({ ...lot, recalled: false })),
    })),
  }).flatMap(({ from }) => from?.product.id ?? [])
