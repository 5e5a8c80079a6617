import type { TechniqueId } from './technique'

export const SCHOOL_IDS = ['warmCloth', 'brightLamp', 'oilAndWater', 'stillBowl'] as const
export type SchoolId = (typeof SCHOOL_IDS)[number]

export interface School {
  id: SchoolId
  name: string
  sentence: string
  /** Liking per technique in the currency of the plan's value; negative is dislike. */
  taste: Partial<Record<TechniqueId, number>>
}

/** Four ready schools. Safety never depends on a school. Common practice: good practitioners differ. */
export const SCHOOLS: Readonly<Record<SchoolId, School>> = {
  warmCloth: { id: 'warmCloth', name: 'Warm Cloth', sentence: 'Milk, warm cloths, steam, a long massage, cream masks.', taste: { steam: 900, massage: 1500, hydratingMask: 600, tip: -900, highFrequency: -300, tone: 500, serum: 800, eyeProduct: 300, facialOil: 300 } },
  brightLamp: { id: 'brightLamp', name: 'Bright Lamp', sentence: 'Two cleanses, machine work, little massage, a calming mask.', taste: { tip: 1800, highFrequency: 700, massage: -1200, secondCleanse: 500, hydratingMask: 500, tone: 500, serum: 900, eyeProduct: 300 } },
  oilAndWater: { id: 'oilAndWater', name: 'Oil and Water', sentence: 'Oil cleanse to skin-feel, no machine, massage, mists, oil on damp skin.', taste: { oilCleanse: 2000, tip: -2500, highFrequency: -1200, massage: 1400, facialOil: 1200, tone: 300, serum: 500, steam: -300, eyeProduct: 200 } },
  stillBowl: { id: 'stillBowl', name: 'Still Bowl', sentence: 'Short and cool, few products, gentle work for gentle skin.', taste: { tip: -2500, steam: -1200, grain: -600, enzyme: 500, cold: 900, hydratingMask: 900, clay: 300, highFrequency: -1500, massage: -300, tone: 300, serum: 300 } },
}
