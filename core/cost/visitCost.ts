import { COST_NAMES, type CostId } from '../catalogue/rules/costs'
import type { Product } from '../catalogue/products/products'
import { pouredCents } from '../dosing/amount'
import { drawnFor } from '../record/bottles'
import type { Linen } from '../tray/linen'
import { HOUR_MINUTES } from '../units'

/** One thing a visit costs the house; whole cents, so that the lines add up to the sum. */
export interface CostLine {
  what: 'product' | 'things' | 'wash' | 'room' | 'person' | 'device'
  name: string
  cents: number
}
export type HouseCosts = Partial<Record<CostId, number>>

interface CostSource {
  /** What was, or is to be, poured of each bottle. */
  poured: readonly {
    product: Pick<Product, 'name' | 'kind' | 'dispenser' | 'packMillilitres' | 'priceCents'>
    millilitres: number
    /** The other half of a piece that an earlier visit has paid for. */
    half?: boolean
  }[]
  linen: readonly Linen[]
  devices: readonly { name: string }[]
  /** Minutes that room and therapist are there for it. */
  minutes: number
  /** What the house has told of its costs; what it has not told costs nothing and is not listed. */
  costs: HouseCosts
}

/**
 * What a visit costs the house: products, what is used up or washed, room, therapist, devices. Each
 * line in whole cents of the house's currency.
 */
export function costOf({ poured, linen, devices, minutes, costs }: CostSource): CostLine[] {
  const byHour = (id: 'roomHour' | 'personHour') =>
    Math.round(((costs[id] ?? 0) * minutes) / HOUR_MINUTES)
  const lines: CostLine[] = [
    ...poured.map(({ product, millilitres, half = false }) => ({
      what: 'product' as const,
      name: product.name,
      cents: pouredCents(product, drawnFor(product, { millilitres, half })),
    })),
    ...linen.flatMap(({ name, count, costs: id }) =>
      id === undefined
        ? []
        : [
            {
              what: id === 'wash' ? ('wash' as const) : ('things' as const),
              name: `${count} ${name}`,
              cents: count * (costs[id] ?? 0),
            },
          ],
    ),
    ...devices.map(({ name }) => ({
      what: 'device' as const,
      name,
      cents: costs.deviceUse ?? 0,
    })),
    { what: 'room', name: COST_NAMES.roomHour, cents: byHour('roomHour') },
    { what: 'person', name: COST_NAMES.personHour, cents: byHour('personHour') },
  ]
  return lines.filter(({ cents }) => cents > 0)
}

/** All lines together, in cents. */
export const sumOf = (lines: readonly CostLine[]): number =>
  lines.reduce((sum, { cents }) => sum + cents, 0)

export const COST_WORDS: Readonly<Record<CostLine['what'], string>> = {
  product: 'products',
  things: 'used once',
  wash: 'laundry',
  device: 'devices',
  room: 'room',
  person: 'therapist',
}
/** The lines by what they are, each kind once, in the order of a bill. */
export const byKind = (lines: readonly CostLine[]): { what: CostLine['what']; cents: number }[] =>
  (Object.keys(COST_WORDS) as CostLine['what'][]).flatMap((what) => {
    const cents = sumOf(lines.filter((line) => line.what === what))
    return cents > 0 ? [{ what, cents }] : []
  })
