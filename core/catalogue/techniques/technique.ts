import type { Minutes } from '../../units'
import type { GroupId } from '../../face/regions'
import type { Rung } from '../rules/rungs'
import type { RegionId } from '../../face/zones'
import type { OwnWayOf } from './ownShapes'
import type { MannerId } from './strokes'
import type { ToolId } from './tools'
import type {
  ConcernId,
  DeviceKind,
  FamilyId,
  LicenceId,
  ProductKind,
  StageId,
  TrayItemId,
} from '../kinds'

/** `oiled`: washed, but with a trace of the oil that water alone leaves behind. */
export type Soil = 'madeUp' | 'soiled' | 'sebum' | 'oiled' | 'clean'
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
interface SurfaceLeave {
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
  /** Felt on the skin: whoever never had it here, or not well, begins at the least. */
  felt?: true
  /** Gentler upwards: a distance. Everything else is gentler downwards. */
  gentler?: 'up'
  /** Further for a person who holds this licence. */
  more?: { licence: LicenceId; most: number }
  /** Thin zones, where only the lower half may be used. */
  thin?: readonly RegionId[]
}

/**
 * What is counted: passes have their limit in `passes`; pads are graded; water is added while the
 * emulsifier is rinsed; the rest are so many on each zone, left and right apart.
 */
export type Counter =
  | { what: 'pass' }
  | { what: 'pad' }
  | { what: 'water' }
  | {
      what: 'stroke' | 'glide' | 'direction' | 'round' | 'coat' | 'try'
      least: number
      most: number
    }

/** How a step puts the surface right for the next one. */
export interface Connects {
  minutes: Minutes
  /** Why it stands before another step: that one "wants dry skin". */
  wants: string
  /** Needs that it answers; moisture in any case, or only where the skin is to be damp. */
  answers: {
    soil?: true
    film?: true
    settled?: true
    moisture?: 'any' | 'damp'
  }
  /** Takes layers off, so it has no place before what can stand on them. */
  lifts?: true
  /** Only before what stays on as a layer, or only before everything else. */
  before?: 'layers' | 'work'
  /** Works through a mask that lies there. */
  throughMask?: true
  /** Nothing touches the skin meanwhile. */
  handsOff?: true
}

/** Something said at a moment of the step: at its start or end, as the hand comes to the other side, or
 * at a share of its minutes. */
interface Prompt {
  at: 'start' | 'end' | 'otherSide' | number
  say: string
}

/**
 * A head or an electrode, or what it goes over, and for whom it is taken unasked: the first of either that
 * fits is.
 */
export interface Fitting {
  id: FittingId
  is: 'head' | 'medium'
  name: string
  /** What it is for, in words. */
  says: string
  for?: 'mature'
}
export const FITTING_IDS = [
  'wide',
  'small',
  'violet',
  'orange',
  'overToner',
  'overSerum',
  'overGauze',
  'overMask',
] as const
type FittingId = (typeof FITTING_IDS)[number]

/** What is taken along on zones of its own: balm on the lips before a mask sets. */
export interface AlsoOn {
  kind: ProductKind
  on: GroupId
}

/** How masks are laid out: one kind, by zone, or on spots only. */
export type LayoutId = 'one' | 'byZone' | 'spots'

/**
 * One technique of the trade: everything that the rest of the house must know of it. What a plan,
 * a check, the tray, the room, the record or the card does with it is read off here; a missing
 * field does not compile.
 * @typeParam Id the closed list of ids, which the rows themselves make (`techniques.ts`)
 */
export interface TechniqueOf<Id extends string> {
  id: Id
  name: string
  /** The house's own way of it, where this is the row as that narrows it. */
  own?: OwnWayOf<Id>
  /** Where it stands in the visit. */
  stage: StageId
  /** A further stage in which it may be done as well. */
  alsoIn?: StageId
  /** What it is to the rules: contraindications, rests, pairs, consent and aftercare ask for these. */
  families: readonly FamilyId[]
  /** How strong it is, where it takes something off. */
  rung?: Rung
  /**
   * Hands-on minutes: the least and most that make sense, and those the planner may choose from.
   * What has a usual time gets that or is left out, but in an express visit.
   */
  minutes: { least: Minutes; most: Minutes; choices: readonly Minutes[]; usual?: Minutes }
  /** Time on the skin unattended; what has it needs something that takes it off. */
  dwell?: DwellWindow
  /** What takes it off, where that is not the usual removal of a mask. */
  removedBy?: Id
  /** Takes something off that rests; never planned by itself. */
  removes?: true
  /** Sets of other techniques that may rest beside it on the other zones. */
  beside?: readonly (readonly Id[])[]
  /** In a house that lays masks in turn: laid second, or only beside another. */
  inTurn?: 'second' | 'besideOnly'
  /** Stands only straight after this technique. */
  after?: Id
  /** This one stands straight after it: what was strewn comes off at once. */
  then?: Id
  /** The same, where its bottle leaves oil behind. */
  thenOiled?: Id
  /** Planned only where the school or the house works so, a protocol holds it or a hand adds it. */
  byChoice?: true
  /** Stands straight after one of these, where it is chosen; never by itself. */
  straightAfter?: readonly Id[]
  /** May be warmed up for by this one, where nothing warm went before. */
  warmedBy?: Id
  /** Only by day, only in the evening, only where eyes or lips are made-up. */
  only?: 'byDay' | 'evening' | 'eyesMadeUp'
  /** It stays on until the next morning. */
  overnight?: true
  /** No talking while it rests. */
  quiet?: true
  groups: readonly GroupId[]
  product?: ProductKind
  /** What it takes from the shelf beside that: without a bottle of each it cannot be done. */
  takesAlso?: readonly (ProductKind | AlsoOn)[]
  device?: DeviceKind
  /** Heads or electrodes of which one is put on, and what it goes over: by hand, once it is on. */
  fittings?: readonly Fitting[]
  /** What touches the skin and is made clean before it is used again. */
  tools?: readonly ToolId[]
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
  /** Where it is done, where that is not on the face. */
  place?: string
  /** Seen to and ticked before it may end, whoever the client is. */
  confirm?: readonly string[]
  /** Done wherever the skin wants it, so it does not say how far a visit has come. */
  floats?: true
  /** Can put the surface right before another step. */
  connects?: Connects
  /** What heavy layers, and pads that do not come clean, are cleansed with once more. */
  again?: true
  /** The usual way off for what rests, or one for whatever lies on the skin as a mask. */
  takesOff?: 'usual' | 'anyMask'
  /** From so many zones on it takes the longest of its minutes. */
  wideFrom?: number
  /** Only waiting: the hands are idle meanwhile. */
  idle?: true
  /** Cloths and cotton pads that it takes; `onlyCloths` where nothing else can stand in for them. */
  linen?: { cloths?: number; pads?: number; onlyCloths?: true }
  /** What else lies on the tray for it (`linen.ts` says how many). */
  lays?: readonly TrayItemId[]
  /** The client may not be left alone, nor other work begun. */
  attended?: true
  /** Softens: what follows within ten minutes bears more load, in per cent. */
  heatFactor?: number
  effects: Partial<Record<ConcernId, 1 | 2 | 3>>
  /** Which way the hand goes on each zone; `none` where nothing is stroked. */
  manner: MannerId | 'none'
  /** One side of the face after the other, so that they can be compared. */
  bySides?: true
  /** How the hand does it; where it begins and goes on follows from its manner. */
  hand: string
  /** How it is known to be done: of what rests, that it is on. */
  cue: string
  /** Of what rests: how it is known to have rested enough. */
  restCue?: string
  /** The same in two or three words, as the big button says it: "Skin felt". */
  seen: string
  /** What to do while that does not come. */
  notYet: string
  /** What the hand counts meanwhile. */
  counter: Counter | 'none'
  /** Words beside `say`, each at its moment. */
  prompts?: readonly Prompt[]
  /** Only a tick inside the main step that it leads up to, never a step of its own on screen. */
  tick?: true
  /** What is said to the client first. */
  say?: string
  reason: string
  source: string
}
