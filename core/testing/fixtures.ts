import { FINDING_ORDER } from '../catalogue/consultation/findings'
import { DEVICE_KINDS, LICENCE_IDS, PRODUCT_KINDS, type ProductKind } from '../catalogue/kinds'
import type { Lot, Product } from '../catalogue/products/products'
import { REFERENCE_FACE } from '../face/regions'
import { REGION_IDS, ZONE_IDS, type RegionId } from '../face/zones'
import type { PlanInput } from '../planning/input'
import type { Answer, Answers } from '../screening/asking/answers'
import { screen } from '../screening/verdict/verdict'
import { deriveProfile } from '../skin/profile'
import { beforeToday, holding } from '../visit/today'
import type { Grade, ReadingId, Readings, ZoneReading } from '../skin/readings'

type FullReading = Record<ReadingId, Grade> & ZoneReading

/** Small made-up worlds for the tests of the core; nothing here is a fact of the trade. */
export const TODAY = '2026-03-10'

export function allNo(more: Answers = {}): Answers {
  return {
    ...Object.fromEntries(FINDING_ORDER.map((id): [string, Answer] => [id, { say: 'no' }])),
    ...more,
  }
}

export function readAll(base: FullReading, more: Readings = {}): Readings {
  return { ...Object.fromEntries(ZONE_IDS.map((zone) => [zone, base])), ...more }
}
export const RESILIENT: FullReading = {
  oil: 2,
  water: 2,
  redness: 0,
  congestion: 2,
  sensitivity: 0,
}

export function product(
  kind: ProductKind,
  id: string = kind,
  more: Partial<Product> = {},
): Product {
  return {
    id,
    name: id,
    line: 'test',
    kind,
    inci: ['Aqua'],
    density: 1,
    dispenser: { kind: 'pour', millilitres: 1 },
    suits: ['all'],
    calming: true,
    packMillilitres: 100,
    priceCents: 1000,
    openMonths: 12,
    ...more,
  }
}
/** Acids as a shelf would hold them, inside the safe-use lines. */
export const ACIDS: Partial<Record<ProductKind, Partial<Product>>> = {
  acidMask: { acid: { name: 'lactic', percent: 8 }, pH: 3.9 },
  resurfacingMask: { acid: { name: 'lactic', percent: 6 }, pH: 4 },
  peelSolution: { acid: { name: 'glycolic', percent: 20 }, pH: 3.4 },
}

export function lot(productId: string, more: Partial<Lot> = {}): Lot {
  return {
    id: `${productId}-lot`,
    productId,
    code: 'T1',
    expires: '2027-01-01',
    recalled: false,
    remainingMillilitres: 100,
    ...more,
  }
}

export const NOTHING_LEFT = Object.fromEntries(REGION_IDS.map((region) => [region, 0])) as Record<
  RegionId,
  number
>

/**
 * A question of its own. What is said of the skin, of earlier visits and of the verdict of the answers
 * goes into what holds today.
 */
export function planInput(
  more: Partial<PlanInput> & { readings?: Readings; age?: number } = {},
): PlanInput {
  const { readings = readAll(RESILIENT), age = 35, ...rest } = more
  const answers = rest.answers ?? allNo()
  const profile = rest.profile ?? deriveProfile(readings, age)
  const { past = [] } = rest
  const before = beforeToday({ past, today: TODAY, previousReading: null })
  return {
    today: TODAY,
    daylight: true,
    slotMinutes: 60,
    makeUp: ['light'],
    answers,
    past,
    firstVisit: false,
    usedBefore: (rest.shelf ?? []).map(({ product }) => product.id).concat(PRODUCT_KINDS),
    residual: NOTHING_LEFT,
    shelf: PRODUCT_KINDS.map((productKind) => ({
      product: product(productKind, productKind, ACIDS[productKind]),
      lots: [lot(productKind)],
    })),
    patch: {},
    suspected: {},
    devices: DEVICE_KINDS,
    licences: LICENCE_IDS,
    school: 'warmCloth',
    aims: ['congestion', 'dehydration', 'rest'],
    faceSize: REFERENCE_FACE,
    ...rest,
    profile,
    verdict: holding(rest.verdict ?? screen(answers, TODAY), profile, before),
  }
}
