import { productIn } from '../catalogue/products/products'
import type { PlanStep } from '../catalogue/techniques/step'
import { trayFor } from '../tray/tray'
import type { PlanInput } from '../planning/input'
import { productsOf } from '../record/bottles'
import type { RecordDraft } from '../record/build'
import { costOf, type CostLine, type HouseCosts } from './visitCost'

/**
 * What a visit will cost as it is planned.
 * @param minutes how long it is booked for
 */
export function plannedCost(
  input: PlanInput,
  steps: readonly PlanStep[],
  minutes: number,
  costs: HouseCosts,
): CostLine[] {
  const { products, linen, devices } = trayFor(input, steps)
  return costOf({
    poured: products.flatMap(({ productId, amount: { millilitres }, half }) => {
      const product = productIn(input.shelf, productId)
      return product ? [{ product, millilitres, half: half !== null }] : []
    }),
    linen,
    devices,
    minutes,
    costs,
  })
}

/**
 * What a visit has cost: what its record says was done and used, at least the time it was booked for.
 * @param done the steps that were done
 * @param minutes how long it was booked for
 */
export function costOfDone(
  input: PlanInput,
  done: readonly PlanStep[],
  { lines, actualMinutes, rushed }: RecordDraft,
  minutes: number,
  costs: HouseCosts,
): CostLine[] {
  const { linen, devices } = trayFor(input, done)
  const used = lines.filter((line) => line.actualMinutes !== null).flatMap(productsOf)
  return costOf({
    poured: used.flatMap(({ id, takenMl, plannedMl, half = false }) => {
      const product = productIn(input.shelf, id)
      const millilitres = takenMl ?? (rushed ? 0 : plannedMl) ?? 0
      return product ? [{ product, millilitres, half }] : []
    }),
    linen,
    devices,
    minutes: Math.max(minutes, actualMinutes ?? 0),
    costs,
  })
}
