import type { Minutes } from '../../units'
import type { GroupId } from '../../face/regions'
import type { RegionId } from '../../face/zones'
import type { ConcernId, DeviceKind, FamilyId, LicenceId, ProductKind, StageId } from '../kinds'

export type Soil = 'madeUp' | 'soiled' | 'sebum' | 'clean'
export type Moisture = 'wet' | 'damp' | 'dry'
export type Film =
  'none' | 'milk' | 'oil' | 'lather' | 'grain' | 'mask' | 'medium' | 'crystal' | 'leaveOn'
export type Warmth = 'cool' | 'neutral' | 'warm'
export type SkinState = 'intact' | 'abraded' | 'punctured'

/**
 * What the surface must be like before a technique starts; a missing part means that anything will
 * do.
 */
export interface SurfaceNeed {
  soil?: readonly Soil[]
  moisture?: readonly Moisture[]
  film?: readonly Film[]
  skin?: readonly SkinState[]
  warmth?: readonly Warmth[]
  /** Leave-on layers below must have dried down. */
  settled?: true
}

/** What a technique leaves behind; a missing part stays as it was. */
export interface SurfaceLeave {
  soil?: Soil
  moisture?: Moisture
  film?: Film
  skin?: SkinState
  warmth?: Warmth
  /** Weight of the leave-on layer laid, 1 thinnest … 7 sun protection. */
  layer?: number
  /** Minutes until that layer has settled. */
  settleMinutes?: number
  /** Expected redness added, 0–4. */
  redness?: number
}

/**
 * Time on the skin unattended, in minutes after it is on. `late` says what lateness means for this
 * kind.
 */
export interface DwellWindow {
  earliest: Minutes
  latest: Minutes
  sensitive: { earliest: Minutes; latest: Minutes }
  late: 'harmless' | 'rewet' | 'removeNow'
}

export interface LoadRule {
  /**
   * Hundredths on the house scale for a reference region, per what. `dwellRoot` grows with the root
   * of the minutes, `freeAcidRoot` with free acid in per cent too, `setting` with the device's own
   * number.
   */
  hundredths: number
  per: 'handsMinute' | 'dwellRoot' | 'freeAcidRoot' | 'pass' | 'setting' | 'once'
}

export interface Setting {
  label: string
  unit: string
  least: number
  start: number
  most: number
  step: number
  /** Further for a person who holds this licence. */
  more?: { licence: LicenceId; most: number }
  /** Thin zones, where only the lower half may be used. */
  thin?: readonly RegionId[]
}

export const TECHNIQUE_IDS = [
  'settle',
  'eyesOff',
  'milk',
  'secondReading',
  'secondCleanse',
  'oilCleanse',
  'tone',
  'blot',
  'rinse',
  'mist',
  'wait',
  'steam',
  'warmTowel',
  'grain',
  'rollOff',
  'rollOffRub',
  'enzyme',
  'acidMask',
  'exfoliatingMask',
  'salonPeel',
  'neutralise',
  'blade',
  'tip',
  'crystals',
  'vacuumGlide',
  'spatula',
  'disinfect',
  'needling',
  'extraction',
  'highFrequency',
  'cold',
  'blueLamp',
  'redLamp',
  'lampOff',
  'massage',
  'toningMassage',
  'stones',
  'microcurrent',
  'clay',
  'hydratingMask',
  'creamMask',
  'sheetMask',
  'resurfacingMask',
  'freshMask',
  'hardeningMask',
  'hardeningOff',
  'eyeMask',
  'maskOff',
  'handsArms',
  'shouldersScalp',
  'stay',
  'serum',
  'ampoule',
  'eyeProduct',
  'moisturiser',
  'facialOil',
  'lipCare',
  'lipScrub',
  'sunProtection',
  'close',
] as const
export type TechniqueId = (typeof TECHNIQUE_IDS)[number]

/** How masks are laid out: one kind, by zone, or on spots only. */
export type LayoutId = 'one' | 'byZone' | 'spots'

export interface Technique {
  id: TechniqueId
  name: string
  stage: StageId
  families: readonly FamilyId[]
  /**
   * Hands-on minutes: the least and most that make sense, and those the planner may choose from.
   */
  minutes: { least: Minutes; most: Minutes; choices: readonly Minutes[] }
  dwell?: DwellWindow
  /** What takes it off, where that is not the usual removal of a mask. */
  lift?: TechniqueId
  /** Takes something off that rests; never planned by itself. */
  lifts?: true
  /** Stands only straight after this technique. */
  after?: TechniqueId
  /** No talking while it rests. */
  quiet?: true
  groups: readonly GroupId[]
  product?: ProductKind
  device?: DeviceKind
  licence: LicenceId
  setting?: Setting
  passes?: { usual: number; limit: number }
  needs: SurfaceNeed
  leaves: SurfaceLeave
  load?: LoadRule
  /** Reaches the whole face, so any barred region bars it. */
  wholeFace?: true
  /** May run while something rests on the face. */
  besideResting?: true
  /** Fills the hands while something rests at least so many minutes. */
  fillsFrom?: Minutes
  /**
   * `everyVisit`: opens, closes or connects each of them, so it tells two plans apart by nothing.
   * `follows`: it comes with another step and is never asked for by itself.
   */
  part?: 'everyVisit' | 'follows'
  /** Cloths and cotton pads that it takes. */
  linen?: { cloths?: number; pads?: number }
  /** The client may not be left alone, nor other work begun. */
  attended?: true
  /** Softens: what follows within ten minutes bears more load, in per cent. */
  heatFactor?: number
  effects: Partial<Record<ConcernId, 1 | 2 | 3>>
  hand: string
  cue: string
  say?: string
  reason: string
  source: string
}
