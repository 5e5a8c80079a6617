import { familiesOfBottle } from '#core/catalogue/products/families'
import type { Product } from '#core/catalogue/products/products'
import type { TechniqueId } from '#core/catalogue/techniques/techniques'

/*
 * What each technique does to the zones it meets, read off the cards of the trade and not off the
 * rows of the house (common practice).
 */
export type Deed =
  | 'rubs'
  | 'enzyme'
  | 'acid'
  | 'peel'
  | 'abrades'
  | 'cuts'
  | 'trims'
  | 'sucks'
  | 'ultrasound'
  | 'needles'
  | 'extracts'
  | 'presses'
  | 'oils'
  | 'heats'
  | 'vapour'
  | 'spark'
  | 'current'
  | 'shines'
  | 'dries'
  | 'covers'
  | 'cools'
  | 'nearEye'
  | 'eyeCream'
  | 'lips'
  | 'retinoid'
  | 'active'
  | 'alcohol'

const DOES: Partial<Record<TechniqueId, readonly Deed[]>> = {
  grain: ['rubs'],
  rollOff: ['rubs'],
  exfoliatingMask: ['rubs'],
  enzyme: ['enzyme'],
  acidMask: ['acid'],
  resurfacingMask: ['acid'],
  salonPeel: ['acid', 'peel'],
  blade: ['cuts'],
  tip: ['abrades', 'sucks'],
  crystals: ['abrades', 'sucks'],
  vacuumGlide: ['sucks'],
  spatula: ['ultrasound'],
  needling: ['needles'],
  extraction: ['extracts'],
  steam: ['heats', 'vapour'],
  warmTowel: ['heats'],
  highFrequency: ['spark'],
  microcurrent: ['current'],
  blueLamp: ['shines'],
  redLamp: ['shines'],
  cold: ['cools'],
  massage: ['presses', 'oils'],
  toningMassage: ['presses', 'oils'],
  stones: ['presses', 'oils', 'cools'],
  clay: ['dries'],
  sheetMask: ['covers'],
  hardeningMask: ['covers'],
  eyesOff: ['nearEye'],
  eyeMask: ['nearEye'],
  eyeProduct: ['nearEye', 'eyeCream'],
  oilCleanse: ['oils'],
  facialOil: ['oils'],
  lipCare: ['lips'],
  lipScrub: ['lips'],
  lipSerum: ['lips'],
  eyesByCleanser: ['nearEye'],
  lashRoots: ['nearEye'],
  dampPads: ['nearEye'],
  creamCleanse: ['presses'],
  sonicBrush: ['rubs'],
  browTidy: ['trims'],
  vacuumDry: ['sucks'],
  coldCloth: ['cools'],
  stonesOnOil: ['presses', 'oils', 'cools'],
  ridge: ['presses'],
  drainDown: ['presses'],
  ballTool: ['presses'],
  finishMassage: ['presses'],
  microcurrentGel: ['current'],
}
const IN_BOTTLE: Record<ReturnType<typeof familiesOfBottle>[number], Deed> = {
  acid: 'acid',
  enzyme: 'enzyme',
  retinoid: 'retinoid',
  leaveOnActive: 'active',
  alcohol: 'alcohol',
}

/** What a step does, by its hands and by its bottle. */
export const deedsOf = (technique: TechniqueId, bottle: Product | undefined): readonly Deed[] => [
  ...new Set([
    ...(DOES[technique] ?? []),
    ...(bottle ? familiesOfBottle(bottle).map((family) => IN_BOTTLE[family]) : []),
  ]),
]
/** The same of its hands alone. */
export const handDeeds = (technique: TechniqueId): readonly Deed[] => DOES[technique] ?? []

/** Takes something off: an exfoliation of the visit, in whatever it comes. */
export const TAKES_OFF: readonly Deed[] = [
  'rubs',
  'enzyme',
  'acid',
  'peel',
  'abrades',
  'cuts',
  'needles',
]
/** After it only calming products, and no hands on it. */
export const STRONG: readonly Deed[] = ['abrades', 'cuts', 'needles']
export const CURRENTS: readonly Deed[] = ['spark', 'current']
/** Bottles that an open barrier bears: nothing else is laid on it. */
export const BLAND: readonly string[] = [
  'eyeRemover',
  'milk',
  'micellarWater',
  'gelCleanser',
  'creamCleanser',
  'cleansingOil',
  'emulsifier',
  'moisturiser',
  'sunProtection',
]
/** All that is done to a face besides cleansing it and caring for it. */
export const WORK: readonly Deed[] = [
  ...TAKES_OFF,
  'sucks',
  'ultrasound',
  'trims',
  'extracts',
  'presses',
  'heats',
  'vapour',
  ...CURRENTS,
  'shines',
  'dries',
  'covers',
  'cools',
  'retinoid',
]
/** What may show for days, so that it is not tried for the first time before an event. */
export const SHOWS: readonly Deed[] = [
  ...TAKES_OFF,
  'sucks',
  'extracts',
  'ultrasound',
  ...CURRENTS,
  'shines',
  'dries',
]
/** Reaches the whole face, wherever it is pointed. */
export const WHOLE_FACE: readonly TechniqueId[] = ['steam', 'blueLamp', 'redLamp']
/** Hands that do nothing to the skin of the face. */
export const ELSEWHERE: readonly TechniqueId[] = [
  'settle',
  'handsArms',
  'shouldersScalp',
  'armCare',
  'restOfCream',
  'restOfOil',
  'stay',
  'close',
]
