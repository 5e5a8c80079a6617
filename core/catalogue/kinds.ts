/** The closed lists of words that rows of the catalogue use. */

export const STAGE_IDS = [
  'settle',
  'eyesOff',
  'surfaceCleanse',
  'reading',
  'deepCleanse',
  'tone',
  'warm',
  'handExfoliation',
  'machine',
  'extraction',
  'calm',
  'massage',
  'lamp',
  'mask',
  'secondMask',
  'cool',
  'afterMask',
  'serum',
  'eyes',
  'moisturise',
  'oil',
  'lips',
  'sun',
  'close',
] as const
export type StageId = (typeof STAGE_IDS)[number]

export const FAMILY_IDS = [
  'touch',
  'friction',
  'enzyme',
  'acid',
  'peel',
  'abrasion',
  'vacuum',
  'needling',
  'blade',
  'browBlade',
  'heat',
  'vapour',
  'highFrequency',
  'microcurrent',
  'ultrasound',
  'lamp',
  'massage',
  'oil',
  'extraction',
  'clay',
  'covering',
  'cold',
  'retinoid',
  'eyeWork',
  'lips',
  'leaveOnActive',
  'alcohol',
  'care',
] as const
/** What a contraindication may stop. A technique may belong to several families. */
export type FamilyId = (typeof FAMILY_IDS)[number]

/** Families that take something off the skin's surface. */
export const EXFOLIATING: readonly FamilyId[] = [
  'friction',
  'enzyme',
  'acid',
  'abrasion',
  'needling',
  'blade',
]
/** Small work of a kind: what stops the whole kind stops it too, and it counts as none of it. */
export const SMALL_WORK: Readonly<Partial<Record<FamilyId, FamilyId>>> = { blade: 'browBlade' }
/** Families that go on working while they lie on the skin. */
export const WORKING: readonly FamilyId[] = ['acid', 'enzyme', 'peel']
/** Families after which only calming products may follow. */
export const STRONG: readonly FamilyId[] = ['abrasion', 'needling', 'blade']

export const FAMILY_NAMES: Readonly<Record<FamilyId, string>> = {
  touch: 'anything that touches it',
  friction: 'grains and rubbing',
  enzyme: 'enzyme',
  acid: 'acids',
  abrasion: 'microdermabrasion',
  vacuum: 'vacuum',
  needling: 'needling',
  blade: 'blade',
  browBlade: 'small blade at the brows',
  heat: 'heat and steam',
  vapour: 'vapour',
  highFrequency: 'high frequency',
  microcurrent: 'microcurrent',
  lamp: 'lamp',
  peel: 'salon peel',
  ultrasound: 'ultrasonic spatula',
  covering: 'a covered face',
  lips: 'lips',
  massage: 'massage',
  oil: 'oil, and hands or stones with oil on them',
  extraction: 'extraction',
  clay: 'drying clay',
  cold: 'cold',
  retinoid: 'retinoids',
  eyeWork: 'work near the eye',
  leaveOnActive: 'active leave-ons',
  alcohol: 'alcohol',
  care: 'care beyond a bland cleanse and cream',
}

/** Families that a bottle belongs to by what is in it, and what it is then said to hold. */
export const BOTTLE_FAMILIES = {
  acid: 'holds an acid',
  enzyme: 'holds an enzyme',
  retinoid: 'holds a retinoid',
  leaveOnActive: 'holds an active',
  alcohol: 'holds alcohol',
} as const satisfies Partial<Record<FamilyId, string>>
export type BottleFamily = keyof typeof BOTTLE_FAMILIES

export const PRODUCT_KINDS = [
  'eyeRemover',
  'milk',
  'gelCleanser',
  'cleansingOil',
  'emulsifier',
  'activator',
  'toner',
  'mist',
  'grainScrub',
  'enzymeMask',
  'settingClay',
  'hydratingMask',
  'massageOil',
  'serum',
  'eyeProduct',
  'moisturiser',
  'facialOil',
  'sunProtection',
  'lipCare',
  'rollOffPeel',
  'acidMask',
  'exfoliatingMask',
  'peelSolution',
  'waterGel',
  'skinDisinfectant',
  'needlingSerum',
  'conductiveGel',
  'creamMask',
  'sheetMask',
  'resurfacingMask',
  'powderMask',
  'hardeningPowder',
  'cartridge',
  'eyeMask',
  'ampoule',
  'lipScrub',
  'micellarWater',
  'wipe',
  'creamCleanser',
  'currentGel',
  'lipSerum',
  'bodyCare',
  'sleepMask',
] as const
export type ProductKind = (typeof PRODUCT_KINDS)[number]
/** What an open barrier bears: everything else is care beyond that (common practice). */
export const BLAND_KINDS: readonly ProductKind[] = [
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

export const KIND_NAMES: Readonly<Record<ProductKind, string>> = {
  eyeRemover: 'eye make-up remover',
  milk: 'cleansing milk',
  gelCleanser: 'gel wash',
  cleansingOil: 'cleansing oil',
  emulsifier: 'emulsifier',
  activator: 'activator',
  toner: 'toner',
  mist: 'mist',
  grainScrub: 'grain scrub',
  enzymeMask: 'enzyme mask',
  settingClay: 'setting clay',
  hydratingMask: 'hydrating mask',
  massageOil: 'massage oil',
  serum: 'serum',
  eyeProduct: 'eye product',
  moisturiser: 'moisturiser',
  facialOil: 'facial oil',
  sunProtection: 'sun protection',
  lipCare: 'lip care',
  rollOffPeel: 'roll-off peel',
  acidMask: 'acid mask',
  exfoliatingMask: 'gritty mask',
  peelSolution: 'peel solution',
  waterGel: 'watery gel',
  skinDisinfectant: 'skin disinfectant',
  needlingSerum: 'sterile serum',
  conductiveGel: 'conductive gel',
  creamMask: 'cream mask',
  sheetMask: 'sheet mask',
  resurfacingMask: 'resurfacing mask',
  powderMask: 'mask powder',
  hardeningPowder: 'hardening powder',
  cartridge: 'sterile cartridge',
  eyeMask: 'eye mask',
  ampoule: 'ampoule',
  lipScrub: 'lip scrub',
  micellarWater: 'micellar water',
  wipe: 'cleansing wipe',
  creamCleanser: 'cream cleanser',
  currentGel: 'leave-on conductive gel',
  lipSerum: 'lip serum',
  bodyCare: 'arm and hand product',
  sleepMask: 'overnight mask',
}

export const DEVICE_KINDS = [
  'steamer',
  'tipMachine',
  'highFrequencyWand',
  'towelCabinet',
  'crystalMachine',
  'ultrasonicSpatula',
  'needlingPen',
  'lamp',
  'microcurrentWand',
  'sonicBrush',
] as const
export type DeviceKind = (typeof DEVICE_KINDS)[number]
export const DEVICE_NAMES: Readonly<Record<DeviceKind, string>> = {
  steamer: 'steamer',
  tipMachine: 'tip and vacuum machine',
  highFrequencyWand: 'high-frequency wand',
  towelCabinet: 'towel cabinet',
  crystalMachine: 'crystal machine',
  ultrasonicSpatula: 'ultrasonic spatula',
  needlingPen: 'needling pen',
  lamp: 'lamp',
  microcurrentWand: 'microcurrent wand',
  sonicBrush: 'sonic brush',
}

/** The same on a tag or a peg. */
export const DEVICE_SHORT: Readonly<Record<DeviceKind, string>> = {
  steamer: 'steamer',
  tipMachine: 'tip',
  highFrequencyWand: 'wand',
  towelCabinet: 'towels',
  crystalMachine: 'crystals',
  ultrasonicSpatula: 'spatula',
  needlingPen: 'needling',
  lamp: 'lamp',
  microcurrentWand: 'current',
  sonicBrush: 'brush',
}

export const LICENCE_IDS = [
  'basic',
  'machine',
  'current',
  'peel',
  'blade',
  'needling025',
  'needling05',
] as const
export type LicenceId = (typeof LICENCE_IDS)[number]
export const LICENCE_NAMES: Readonly<Record<LicenceId, string>> = {
  basic: 'cleansing, masks, massage',
  machine: 'microdermabrasion and vacuum',
  current: 'high frequency and microcurrent',
  peel: 'salon peels',
  blade: 'blade work',
  needling025: 'needling to 0.25 mm',
  needling05: 'needling to 0.5 mm',
}

export const CONCERN_IDS = [
  'dehydration',
  'congestion',
  'shine',
  'redness',
  'dullness',
  'firmness',
  'rest',
  'breakouts',
  'marks',
  'lines',
  'puffyFace',
  'puffyEyes',
  'tonight',
] as const
/** What the client minds, in our words on the screen below. */
export type ConcernId = (typeof CONCERN_IDS)[number]
export const CONCERN_NAMES: Readonly<Record<ConcernId, string>> = {
  dehydration: 'thirsty skin',
  congestion: 'clogged pores',
  shine: 'shine',
  redness: 'redness',
  dullness: 'dull, rough skin',
  firmness: 'tired, slack look',
  rest: 'a quiet hour',
  breakouts: 'breakouts',
  marks: 'marks, uneven colour',
  lines: 'lines',
  puffyFace: 'a puffy face',
  puffyEyes: 'puffy eyes',
  tonight: 'an event tonight',
}

/**
 * How hard a rule stands. `stop` cannot be planned; `adapt` changes the plan; `advise` is said and
 * may be passed over.
 */
export type Strength = 'stop' | 'adapt' | 'advise'

/** Where a row comes from: a published source, or what the trade commonly does. */
export const COMMON_PRACTICE = 'common practice'

/** What else lies on the tray for some techniques. */
export type TrayItemId = 'gloves' | 'tissues' | 'warmTowel' | 'cottonBuds'
