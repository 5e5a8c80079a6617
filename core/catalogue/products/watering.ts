import type { ProductKind } from '../kinds'

/**
 * What waters the skin, and so tells how thirsty a zone was when it comes off or has been worked in;
 * of what is left on, a thirsty zone takes a second layer. Common practice.
 */
export const WATERING: Readonly<Partial<Record<ProductKind, { secondLayer: boolean }>>> = {
  hydratingMask: { secondLayer: false },
  creamMask: { secondLayer: false },
  sheetMask: { secondLayer: false },
  eyeMask: { secondLayer: false },
  ampoule: { secondLayer: false },
  serum: { secondLayer: true },
  moisturiser: { secondLayer: true },
}

/** How a zone took it, by grade. */
export const ABSORBED_WORDS = [
  'stayed on top',
  'a little',
  'most absorbed',
  'absorbed at once',
] as const
export const ABSORBED_GRADES = [0, 1, 2, 3] as const
export type AbsorbedGrade = (typeof ABSORBED_GRADES)[number]
/** From this grade on a zone is thirsty. Common practice. */
export const DRANK_FROM: AbsorbedGrade = 2

/** What the last visit showed of thirst is set aside for a visit under this name. */
export const DRANK_RULE = 'drank-last-time'
