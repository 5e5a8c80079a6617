import type { PointId } from '#core/catalogue/schools/camps'
import type { SchoolId } from '#core/catalogue/schools/schools'
import type { TechniqueId } from '#core/catalogue/techniques/techniques'
import type { PlanInput } from '#core/planning/input'
import { lot, planInput, readAll, RESILIENT } from '#core/testing/fixtures'
import type { Product } from '#core/catalogue/products/products'
import { minutes } from '#core/units'

/*
 * Twenty-one ways of working, each as some practitioner does it: the order, and what is special. Common
 * practice; what is risky in one of them is refused in words, and the milder way stands instead.
 */
export interface Way {
  name: string
  input: PlanInput
  /** In this order in the plan, other steps between them. */
  has: readonly TechniqueId[]
  /** Not in it, each with the rule that says why, or only left out. */
  hasNot?: readonly TechniqueId[]
  /** What its protocol names and this skin, hour or day does not bear: each is said with a reason. */
  refused?: readonly TechniqueId[]
}

const SOME_MINUTES: Partial<Record<TechniqueId, number>> = {
  creamCleanse: 5,
  creamMask: 10,
  clay: 10,
  hydratingMask: 10,
  eyeMask: 10,
  resurfacingMask: 10,
  exfoliatingMask: 10,
  freshMask: 10,
  sheetMask: 10,
  hardeningMask: 25,
  acidMask: 5,
  enzyme: 7,
  steam: 5,
  spatula: 5,
  massage: 5,
  stonesOnOil: 5,
  stones: 5,
  microcurrentGel: 5,
  tip: 8,
  crystals: 8,
  grain: 2,
  oilCleanse: 5,
  highFrequency: 3,
  vacuumDry: 3,
}
const protocolOf = (ids: readonly TechniqueId[]): PlanInput['protocol'] =>
  ids.map((technique) => ({ technique, minutes: minutes(SOME_MINUTES[technique] ?? 1) }))

export const OILY = { ...RESILIENT, oil: 3, congestion: 3, texture: 2 } as const
interface Told extends Partial<PlanInput> {
  camps?: Partial<Record<PointId, string>>
  follows?: readonly TechniqueId[]
  school?: SchoolId
  bottles?: readonly Product[]
}
export function way(
  name: string,
  { camps = {}, follows, bottles = [], ...more }: Told & Parameters<typeof planInput>[0],
  has: readonly TechniqueId[],
  rest: Pick<Way, 'hasNot' | 'refused'> = {},
): Way {
  const input = planInput({
    slotMinutes: 90,
    ...more,
    policy: { camps, without: [] },
    ...(follows ? { protocol: protocolOf(follows) } : {}),
  })
  const own = bottles.map((bottle) => ({ product: bottle, lots: [lot(bottle.id)] }))
  const kinds = new Set(bottles.map(({ kind }) => kind))
  return {
    name,
    input: {
      ...input,
      usedBefore: [...input.usedBefore, ...bottles.map(({ id }) => id)],
      shelf: [...input.shelf.filter((item) => !kinds.has(item.product.kind)), ...own],
    },
    has,
    ...rest,
  }
}
export const EVENING = { daylight: false } as const
export const ROUGH = { readings: readAll({ ...RESILIENT, texture: 3 }) } as const
