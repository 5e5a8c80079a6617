import type { Dispenser } from '../products/products'
import type { ProductKind } from '../kinds'
import type { IngredientId } from '../products/ingredients'

/** The smallest part of a measure that the hand can take. Common practice. */
export const MEASURE_PARTS: Readonly<Record<Dispenser['kind'], number>> = {
  pump: 1,
  spray: 1,
  riceGrain: 1,
  drop: 1,
  piece: 1,
  scoop: 1 / 4,
  spatula: 1 / 2,
  pour: 1 / 2,
}
/**
 * Where even one measure is much more than is wanted, the hand takes a part of it: below this share of a
 * measure, in quarters. Common practice.
 */
export const SMALL = { below: 3 / 4, part: 1 / 4, of: ['pump', 'spatula', 'pour'] } as const
/**
 * Pieces that serve twice: half of an ampoule now, the other half by next morning. Common practice.
 */
export const HALVED: readonly ProductKind[] = ['ampoule']
/** The half of such a piece. */
export const HALF_PIECE = 1 / 2
/** Parts of a measure that are said with a sign of their own. */
export const SAID_PARTS = 4
/**
 * One fingertip unit is about half a gram (Long & Finlay, Clin Exp Dermatol 1991; values from
 * memory).
 */
export const FINGERTIP_GRAMS = { men: 0.49, women: 0.43, usual: 0.5 } as const
/** Skin that one fingertip unit covers, cm² (same source). */
export const FINGERTIP_AREA = { men: 312, women: 257 } as const
/** Said in fingertip units too: it must not be too little. */
export const FINGERTIP_KINDS: readonly ProductKind[] = ['sunProtection']
/**
 * Water-like liquids: twenty drops to the gram at 20 °C (European Pharmacopoeia 2.1.1; value from
 * memory).
 */
export const WATER_DROP_ML = 0.05
/** Where more or less than reckoned does something: what protects, and what works on the skin. */
export const ROUNDING_MATTERS: readonly ProductKind[] = [
  'sunProtection',
  'acidMask',
  'resurfacingMask',
  'peelSolution',
  'enzymeMask',
  'needlingSerum',
]
/** From how far off a rounding to the hand is said, per cent. House value. */
export const ROUNDING_SAID_FROM = 5
/** What stays in bowl and brush, per cent. Common practice. */
export const WASTE_PERCENT = 10
/** How many measures are weighed together: one alone is lost in the scale's own error. */
export const WEIGHED_TOGETHER = 10
/** Dissociation constants: CRC Handbook of Chemistry and Physics (values from memory). */
export const PKA = { glycolic: 3.83, lactic: 3.86, mandelic: 3.41, salicylic: 2.97 } as const
export type AcidName = keyof typeof PKA
/** What is measured out of a jar, by a spatula that is clean and dry. */
export const JARS: readonly Dispenser['kind'][] = ['spatula', 'scoop']
/** Bottles that give a little at a time. */
export const FINE: readonly Dispenser['kind'][] = ['drop', 'pump', 'spray', 'riceGrain']
/** Where this is not borne, nothing is mixed with milk. */
export const MILK: IngredientId = 'milk'
/**
 * How far what a client was given before moves what is laid out for them, per cent of the usual amount;
 * what is topped up begins low. House values.
 */
export const LEARNED = {
  id: 'learned-amount',
  sentence:
    'What was measured at earlier visits moves the amount halfway each time, within its bounds.',
  least: 60,
  most: 150,
  lowMost: 125,
  /** Said from so many per cent off on. */
  saidFrom: 10,
  source: 'House value',
} as const
/** What begins low and is added to: oils and rich creams. Common practice. */
export const START_LOW: readonly ProductKind[] = ['massageOil', 'facialOil', 'moisturiser']
