import type { PlanStep } from '../catalogue/techniques/step'
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
  plannedMl: number | null
  takenMl: number | null
}

export interface BottleSource {
  state: RoomState
  shelf: readonly ShelfItem[]
  dose: DoseFor
  /** The bottle in hand that has so many millilitres. */
  lotOf: (productId: string, needed: number, at: number | undefined) => string | null
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
    lot: taken?.lotId ?? lotOf(product.id, needed, endedAt),
    plannedMl: rounded(needed),
    takenMl: taken ? rounded(taken.millilitres) : null,
  }
}

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
        lot: lotOf(product.id, amount.millilitres, endedAt),
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
