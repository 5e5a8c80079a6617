import type { LayerBase } from './homeSteps'
import type { AftercarePart } from '../rules/aftercare'
import type { FindingId } from '../consultation/findings'
import { COMMON_PRACTICE, type FamilyId, type ProductKind } from '../kinds'
import type { IngredientId } from '../products/ingredientIds'
import type { ConditionId, SkinType } from '../skin/conditions'

export const NIGHT_IDS = ['retinoid', 'acid', 'scrub', 'clearingMask', 'waterMask'] as const
/** What one evening at home may be for beside the care of every evening: one of them a night. */
export type NightId = (typeof NIGHT_IDS)[number]

/** What a night asks for and keeps to. */
export interface NightRow {
  id: NightId
  name: string
  amount: string
  how: string
  /** Where it lies among the layers of the evening. */
  weight: number
  base: LayerBase
  /** On dry skin, straight under the cream: toner, serum and oil wait for another evening. */
  alone: boolean
  why: string
  kinds: readonly ProductKind[]
  /** What it is to the verdict. */
  families: readonly FamilyId[]
  /** What no bottle of it may hold for this client. */
  holds: readonly IngredientId[]
  /** Which lines of the card keep it off, by what they forbid. */
  offBy: readonly AftercarePart[]
  /** Evenings a week at most. */
  mostAWeek: number
  /** Nights from one to the next at least; `mildGap` where it is mild. */
  gap: number
  mildGap?: number
  /** Nights before the next visit that it is left off. */
  offBefore: number
  /** Never twice on end with another of these. */
  takesOff: boolean
  /** The answer of the consultation that says how strongly it pours in; left out, it pours nothing. */
  finding?: FindingId
  /** A new one is begun so: evenings a week at first, one more each so many nights. */
  begins?: { perWeek: number; addAfter: number }
  forSkin?: { types: readonly SkinType[]; conditions: readonly ConditionId[]; perWeek: number }
  source: string
}
const night = (own: Omit<NightRow, 'source'>): NightRow => ({
  ...own,
  source: `${COMMON_PRACTICE}; house values`,
})
/** Parts of a card that keep every active off. */
export const ACTIVE_OFF: readonly AftercarePart[] = ['actives', 'everything', 'allButPlain']

export const NIGHTS: Readonly<Record<NightId, NightRow>> = {
  retinoid: night({
    id: 'retinoid',
    name: 'Retinoid',
    amount: 'a pea for the whole face',
    how: 'On dry skin, off the eyes and the corners of nose and mouth; cream over it.',
    weight: 5,
    base: 'cream',
    alone: true,
    why: 'it renews the surface slowly, by night',
    kinds: [],
    families: ['retinoid'],
    holds: ['retinoid'],
    offBy: [...ACTIVE_OFF, 'retinoid'],
    mostAWeek: 7,
    gap: 1,
    offBefore: 5,
    takesOff: false,
    finding: 'retinoid',
    begins: { perWeek: 2, addAfter: 14 },
  }),
  acid: night({
    id: 'acid',
    name: 'Acid',
    amount: 'one pad, or three drops',
    how: 'On dry skin, off the eyes; cream over it.',
    weight: 3,
    base: 'water',
    alone: true,
    why: 'it loosens dead cells',
    kinds: [],
    families: ['acid', 'leaveOnActive'],
    holds: ['salicylate'],
    offBy: [...ACTIVE_OFF, 'acid'],
    mostAWeek: 3,
    gap: 2,
    offBefore: 3,
    takesOff: true,
    finding: 'homeAcid',
  }),
  scrub: night({
    id: 'scrub',
    name: 'Scrub',
    amount: 'a hazelnut',
    how: 'On wet skin, a minute with no pressure, rinsed well.',
    weight: 1.5,
    base: 'washedOff',
    alone: false,
    why: 'grains lift off what is loose',
    kinds: ['grainScrub'],
    families: ['friction'],
    holds: [],
    offBy: ['scrub', 'everything', 'allButPlain'],
    mostAWeek: 2,
    gap: 3,
    mildGap: 2,
    offBefore: 3,
    takesOff: true,
    finding: 'homeScrub',
  }),
  clearingMask: night({
    id: 'clearingMask',
    name: 'Clearing mask',
    amount: 'a thin layer, the T-zone first',
    how: 'Off while it is still moist, lukewarm.',
    weight: 1.6,
    base: 'washedOff',
    alone: false,
    why: 'clay draws oil out of the pores',
    kinds: ['settingClay'],
    families: ['clay'],
    holds: [],
    offBy: ['scrub', 'everything', 'allButPlain'],
    mostAWeek: 1,
    gap: 5,
    offBefore: 3,
    takesOff: true,
    forSkin: { types: ['oily', 'combination'], conditions: ['congested'], perWeek: 1 },
  }),
  waterMask: night({
    id: 'waterMask',
    name: 'Hydrating mask',
    amount: 'a generous layer',
    how: 'Fifteen minutes; the rest is pressed in.',
    weight: 1.7,
    base: 'washedOff',
    alone: false,
    why: 'water for skin that lacks it',
    kinds: ['hydratingMask', 'sheetMask', 'creamMask'],
    families: ['care'],
    holds: [],
    offBy: ['everything', 'allButPlain'],
    mostAWeek: 3,
    gap: 2,
    offBefore: 0,
    takesOff: false,
    forSkin: { types: ['dry'], conditions: ['dehydrated', 'sensitive', 'mature'], perWeek: 2 },
  }),
}

/** How strong what is used is, per cent of the usual pouring. House scale. */
export const HOME_STRENGTHS = {
  mild: { word: 'mild', percent: 60 },
  usual: { word: 'usual', percent: 100 },
  strong: { word: 'strong', percent: 150 },
} as const
export type HomeStrength = keyof typeof HOME_STRENGTHS
export const HOME_STRENGTH_IDS = Object.keys(HOME_STRENGTHS) as [HomeStrength, ...HomeStrength[]]

/** Nights that what takes something off keeps from any other of its kind. Common practice. */
export const TAKES_OFF_APART = 2
/** Nights between the first evenings of two new things: one at a time, a week apart. */
export const NEW_APART = 7
/** Nights that a routine is written for at most; from there on it is asked again. House value. */
export const NIGHTS_MOST = 42
/** The same word for the evenings on which only water is given. */
export const BLAND_EVENINGS = {
  shave: 'you shave that day',
  away: 'you are away from home',
  sun: 'the evening before a flight or long sun',
} as const
export type BlandEvening = keyof typeof BLAND_EVENINGS

/** A month on, a month off. Days of each. Common practice. */
export const PHASE_DAYS = 28
