import type { ProductKind } from '../kinds'
import type { Recipe } from './recipes'
import type { SuitId } from './suits'
import type { WayOffId } from '../techniques/removalWays'

/** How a hand measures from this bottle. `millilitres` is what one measure gives. */
export interface Dispenser {
  kind: 'pump' | 'spray' | 'drop' | 'scoop' | 'spatula' | 'riceGrain' | 'pour' | 'piece'
  millilitres: number
}

export interface Product {
  id: string
  name: string
  line: string
  kind: ProductKind
  inci: readonly string[]
  /** Acid for the free-acid calculation, where there is one. */
  acid?: { name: 'glycolic' | 'lactic' | 'mandelic' | 'salicylic'; percent: number }
  pH?: number
  density: number
  dispenser: Dispenser
  /** For whom: the planner prefers a product whose word fits today's skin. */
  suits: readonly SuitId[]
  calming: boolean
  packMillilitres: number
  priceCents: number
  /** Months it may stay open. */
  openMonths: number
  /** What it is mixed with in this house, where it is. */
  recipe?: Recipe
  /** Minutes that it rests by its label; left out, those of its kind. */
  rests?: { from: number; to: number }
  /** What its label says of what is left when its time is over; left out, it is rinsed off. */
  wayOff?: WayOffId
  /** The change of shade its maker states, by which it is known to be ready: "blue to clear". */
  colourChange?: string
}

/** A bottle on the shelf. Dates are ISO days. */
export interface Lot {
  id: string
  productId: string
  code: string
  expires: string
  openedOn?: string
  recalled: boolean
  /** When it was called back, milliseconds since 1970. */
  recalledAt?: number
  remainingMillilitres: number
  /** The other half of a piece that was opened for this client: nothing more comes off the shelf. */
  half?: { id: string; until: number }
}

/** The product of an id on a shelf. */
export const productIn = (
  shelf: readonly { product: Product }[],
  id: string | undefined,
): Product | undefined => shelf.find(({ product }) => product.id === id)?.product

export interface FilmRule {
  kind: ProductKind
  milligrams: number
  range: readonly [number, number]
  floor?: true
}

/**
 * Film on the skin in mg/cm². House values within the range; `floor` may not be undercut. Sun
 * protection: ISO 24444.
 */
export const FILMS: Readonly<Record<ProductKind, FilmRule>> = {
  eyeRemover: { kind: 'eyeRemover', milligrams: 40, range: [30, 60] },
  milk: { kind: 'milk', milligrams: 3, range: [2, 5] },
  gelCleanser: { kind: 'gelCleanser', milligrams: 3, range: [2, 5] },
  cleansingOil: { kind: 'cleansingOil', milligrams: 4, range: [3, 6] },
  emulsifier: { kind: 'emulsifier', milligrams: 3, range: [2, 5] },
  /** Its share of the hardened paste; how much is stirred in follows from the powder. */
  activator: { kind: 'activator', milligrams: 27, range: [20, 40] },
  toner: { kind: 'toner', milligrams: 2, range: [1, 4] },
  mist: { kind: 'mist', milligrams: 1, range: [1, 4] },
  grainScrub: { kind: 'grainScrub', milligrams: 3, range: [2, 5] },
  enzymeMask: { kind: 'enzymeMask', milligrams: 6, range: [4, 10] },
  settingClay: { kind: 'settingClay', milligrams: 20, range: [15, 25] },
  hydratingMask: { kind: 'hydratingMask', milligrams: 10, range: [6, 15] },
  massageOil: { kind: 'massageOil', milligrams: 0.3, range: [0.3, 2] },
  serum: { kind: 'serum', milligrams: 0.5, range: [0.3, 1] },
  /**
   * A rice grain a side is what the hand gives; it is more than a thin film on the ring would need.
   */
  eyeProduct: { kind: 'eyeProduct', milligrams: 2.5, range: [0.5, 2.5] },
  moisturiser: { kind: 'moisturiser', milligrams: 2, range: [1.5, 3] },
  facialOil: { kind: 'facialOil', milligrams: 0.2, range: [0.1, 0.3] },
  sunProtection: { kind: 'sunProtection', milligrams: 2, range: [2, 2.5], floor: true },
  lipCare: { kind: 'lipCare', milligrams: 2, range: [1, 3] },
  rollOffPeel: { kind: 'rollOffPeel', milligrams: 4, range: [3, 5] },
  acidMask: { kind: 'acidMask', milligrams: 6, range: [4, 10] },
  exfoliatingMask: { kind: 'exfoliatingMask', milligrams: 8, range: [6, 12] },
  peelSolution: { kind: 'peelSolution', milligrams: 4, range: [3, 5] },
  waterGel: { kind: 'waterGel', milligrams: 8, range: [6, 12] },
  skinDisinfectant: { kind: 'skinDisinfectant', milligrams: 4, range: [2, 6] },
  needlingSerum: { kind: 'needlingSerum', milligrams: 2, range: [1, 3] },
  conductiveGel: { kind: 'conductiveGel', milligrams: 15, range: [10, 20] },
  creamMask: { kind: 'creamMask', milligrams: 15, range: [10, 25] },
  sheetMask: { kind: 'sheetMask', milligrams: 30, range: [20, 45] },
  resurfacingMask: { kind: 'resurfacingMask', milligrams: 6, range: [4, 10] },
  powderMask: { kind: 'powderMask', milligrams: 15, range: [10, 25] },
  hardeningPowder: { kind: 'hardeningPowder', milligrams: 40, range: [30, 60] },
  /** One, opened in front of the client; nothing of it is spread. */
  cartridge: { kind: 'cartridge', milligrams: 0, range: [0, 0] },
  eyeMask: { kind: 'eyeMask', milligrams: 10, range: [6, 15] },
  ampoule: { kind: 'ampoule', milligrams: 2, range: [1, 2] },
  lipScrub: { kind: 'lipScrub', milligrams: 3, range: [2, 5] },
  micellarWater: { kind: 'micellarWater', milligrams: 8, range: [5, 12] },
  /** Two of them a face, each as wet as it comes out of its pack. */
  wipe: { kind: 'wipe', milligrams: 18, range: [12, 24] },
  creamCleanser: { kind: 'creamCleanser', milligrams: 5, range: [3, 8] },
  currentGel: { kind: 'currentGel', milligrams: 10, range: [8, 15] },
  lipSerum: { kind: 'lipSerum', milligrams: 1, range: [0.5, 2] },
  bodyCare: { kind: 'bodyCare', milligrams: 2, range: [1, 3] },
  sleepMask: { kind: 'sleepMask', milligrams: 3, range: [2, 5] },
}

/** Days before its end in which a bottle is pointed out: what is open gets used first. */
const SOON_DAYS = 30
/**
 * Whether a bottle ends within a month.
 * @param daysLeft days to its last day
 */
export const endsSoon = (daysLeft: number): boolean => daysLeft < SOON_DAYS

/** Months after opening that a new product is begun with, until its label is copied. */
export const USUAL_OPEN_MONTHS = 12

/** What a bottle gives its product by, as the shelf asks for it. */
export const DISPENSER_NAMES: Readonly<Record<Dispenser['kind'], string>> = {
  pump: 'pump',
  spray: 'spray',
  drop: 'dropper',
  spatula: 'jar and spatula',
  scoop: 'scoop',
  riceGrain: 'tube, rice grains',
  pour: 'poured by the millilitre',
  piece: 'by the piece: ampoule, sheet',
}
