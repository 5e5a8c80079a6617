import type { Lot, Product } from '../catalogue/products/products'
import type { PlanStep } from '../catalogue/techniques/step'
import { openedFor, partOf } from '../dosing/amount'
import { doseOf, type DoseFor } from '../dosing/layers'
import type { ShelfItem } from '../planning/input'
import type { Alongside } from '../planning/today/alongside'
import type { RoomState } from '../treatment/fold/fold'
import { fromHundredths, toHundredths } from '../units'

/** A bottle as a record names it. */
export interface BottleOnRecord {
  id: string
  name: string
  lot: string | null
  /** The other half of a piece that was opened at an earlier visit. */
  half?: true
  plannedMl: number | null
  takenMl: number | null
}

export interface BottleSource {
  state: RoomState
  shelf: readonly ShelfItem[]
  dose: DoseFor
  /** The bottle in hand that has so many millilitres. */
  lotOf: (
    productId: string,
    needed: number,
    at: number | undefined,
  ) => Pick<Lot, 'code' | 'half'> | null
  /** What a step took beside its own product. */
  alongOf: (step: PlanStep) => readonly Alongside[]
}

const rounded = (amount: number) => fromHundredths(toHundredths(amount))

/** The bottle that was used, and how much was planned and taken; none where nothing was. */
export function productOn(
  step: PlanStep,
  { state, shelf, dose, lotOf }: BottleSource,
  endedAt: number | undefined,
): BottleOnRecord | null {
  const productId = state.products[step.key]?.productId ?? step.productId
  const product = shelf.find((item) => item.product.id === productId)?.product
  if (!product) return null
  const taken = state.taken[step.key]
  const needed = doseOf(step, product, dose).millilitres
  return {
    id: product.id,
    name: product.name,
    ...batchOf(taken, lotOf(product.id, needed, endedAt)),
    plannedMl: rounded(needed),
    takenMl: taken ? rounded(taken.millilitres) : null,
  }
}

/** The batch as it was tapped, else the one that was in hand. */
function batchOf(
  taken: { lotId: string; half?: true } | undefined,
  inHand: Pick<Lot, 'code' | 'half'> | null,
): Pick<BottleOnRecord, 'lot' | 'half'> {
  const half = taken ? taken.half === true : inHand?.half !== undefined
  return { lot: taken?.lotId ?? inHand?.code ?? null, ...(half ? { half: true } : {}) }
}

/**
 * What comes off the shelf for a line of the record, millilitres: of a piece that is opened all of it,
 * and of the other half of one nothing more.
 */
export function drawnFor(product: Pick<Product, 'kind' | 'dispenser'>, used: UsedOf): number {
  const own = used.half ? Math.max(0, used.millilitres - leftInHalf(product)) : used.millilitres
  return own > 0 ? openedFor(product, own) : 0
}
interface UsedOf {
  millilitres: number
  half?: boolean
}
const leftInHalf = (product: Pick<Product, 'kind' | 'dispenser'>): number =>
  product.dispenser.millilitres * partOf(product)

/** What it took beside that: emulsifier over oil, activator into powder. */
export function alongOn(
  step: PlanStep,
  { state, alongOf, lotOf }: BottleSource,
  endedAt: number | undefined,
): { along?: readonly BottleOnRecord[] } {
  const productId = state.products[step.key]?.productId ?? step.productId
  const used = productId === undefined ? step : { ...step, productId }
  const along = alongOf(used).flatMap(({ from }) => {
    if (!from) return []
    const { product, amount } = from
    return [
      {
        id: product.id,
        name: product.name,
        lot: lotOf(product.id, amount.millilitres, endedAt)?.code ?? null,
        plannedMl: rounded(amount.millilitres),
        takenMl: null,
      },
    ]
  })
  return along.length > 0 ? { along } : {}
}

/** Every bottle that a line of the record names. */
export const productsOf = ({
  product,
  along = [],
}: {
  product: BottleOnRecord | null
  along?: readonly BottleOnRecord[]
}): BottleOnRecord[] => [...(product ? [product] : []), ...along]
