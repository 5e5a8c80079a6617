import fc from 'fast-check'
import { CONCERN_IDS } from '../catalogue/kinds'
import { REGION_IDS, type RegionId } from '../face/zones'
import type { PlanInput } from '../planning/input'
import { NOTHING_LEFT, lot } from './fixtures'
import { inputOfPerson, person, type Person } from './randomPeople'

/** Somebody whose plan is hard to find: a long visit, a large shelf, skin that carries something already. */
export interface HardPerson {
  who: Person
  slotMinutes: number
  aims: PlanInput['aims']
  /** How many bottles of each kind stand beside each other. */
  bottles: number
  carried: readonly (readonly [RegionId, number])[]
}

const LONG = [60, 75, 90, 120, 150, 180, 240] as const
/** Regions that carry something from before, and how much at most, hundredths. */
const CARRY = { regions: 5, most: 400 } as const
const MOST_BOTTLES = 5

export const hardPerson: fc.Arbitrary<HardPerson> = fc.record({
  who: person,
  slotMinutes: fc.constantFrom(...LONG),
  aims: fc.uniqueArray(fc.constantFrom(...CONCERN_IDS), { minLength: 1, maxLength: 6 }),
  bottles: fc.integer({ min: 1, max: MOST_BOTTLES }),
  carried: fc.uniqueArray(
    fc.tuple(fc.constantFrom(...REGION_IDS), fc.integer({ min: 0, max: CARRY.most })),
    { maxLength: CARRY.regions, selector: ([region]) => region },
  ),
})

/** The same bottle several times over, each a little dearer and for another skin: none is like another. */
const beside = (shelf: PlanInput['shelf'], bottles: number): PlanInput['shelf'] =>
  shelf.flatMap((item) =>
    Array.from({ length: bottles }, (_, place) => {
      const { product } = item
      if (place === 0) return item
      const id = `${product.id}-${place}`
      const suits = place % 2 === 0 ? product.suits : (['sensitive'] as const)
      const own = { ...product, id, suits, priceCents: product.priceCents + place }
      return { product: own, lots: [lot(id)] }
    }),
  )

export function inputOfHard({ who, slotMinutes, aims, bottles, carried }: HardPerson): PlanInput {
  const input = inputOfPerson({ ...who, slotMinutes, aims })
  const shelf = beside(input.shelf, bottles)
  return {
    ...input,
    shelf,
    usedBefore: shelf.map(({ product }) => product.id),
    residual: { ...NOTHING_LEFT, ...Object.fromEntries(carried) },
  }
}

/** The person of a number: the same on every machine. */
export function hardPersonOf(seed: number): HardPerson {
  const [own] = fc.sample(hardPerson, { seed, numRuns: 1 })
  if (!own) throw new RangeError(`nobody of ${seed}`)
  return own
}
