import { COMMON_PRACTICE, type ProductKind } from '../kinds'

/** How one kind of mask comes off, whatever the house takes off with. */
interface RemovalWay {
  kind: ProductKind
  /** What is done before the first wipe. */
  first: string
  water: 'cool' | 'lukewarm'
  /** Wipes until the hand feels skin, as a rule. */
  wipes: readonly [least: number, most: number]
  source: string
}
const way = (
  kind: ProductKind,
  first: string,
  water: RemovalWay['water'],
  wipes: RemovalWay['wipes'],
): RemovalWay => ({ kind, first, water, wipes, source: COMMON_PRACTICE })

/** Masks that are wiped off; what has a way of its own (rubbed, neutralised, in oil) is not here. */
export const REMOVAL_WAYS: readonly RemovalWay[] = [
  way('settingClay', 'wet it until it darkens', 'lukewarm', [3, 4]),
  way('powderMask', 'wet it until it darkens', 'lukewarm', [3, 4]),
  way('exfoliatingMask', 'wet fingers loosen the grains, no rubbing', 'lukewarm', [3, 4]),
  way('resurfacingMask', 'wet it until it gives', 'cool', [2, 3]),
  way('enzymeMask', 'at once, no rubbing', 'cool', [2, 3]),
  way('acidMask', 'at once: a little water wakes it once more', 'cool', [2, 3]),
  way('creamMask', 'lift off what is too much', 'lukewarm', [2, 3]),
  way('hydratingMask', 'press in or lift off what is too much', 'lukewarm', [1, 2]),
  way('sheetMask', 'peel it off from the chin up', 'cool', [1, 1]),
  way('eyeMask', 'lift it off outwards', 'cool', [1, 2]),
]

/** What becomes of what is left of a mask when its time is over, as its label may say. */
export const WAY_OFF_IDS = ['rinse', 'wipe', 'massageIn'] as const
export type WayOffId = (typeof WAY_OFF_IDS)[number]
interface WayOff {
  id: WayOffId
  name: string
  /** What the hand does; what is rinsed has the words of its kind. */
  say: string
  /** What one removal takes: the house's linen, tissues, or nothing but the hand. */
  takes: 'linen' | 'tissues' | 'hands'
  /** Kinds of which a label may say so: what never sets and takes nothing off. */
  kinds: readonly ProductKind[]
  source: string
}
const NEVER_SETS: readonly ProductKind[] = ['hydratingMask', 'creamMask', 'sheetMask', 'eyeMask']
export const WAYS_OFF: Readonly<Record<WayOffId, WayOff>> = {
  rinse: {
    id: 'rinse',
    name: 'rinsed off',
    say: '',
    takes: 'linen',
    kinds: REMOVAL_WAYS.map(({ kind }) => kind),
    source: COMMON_PRACTICE,
  },
  wipe: {
    id: 'wipe',
    name: 'excess wiped off',
    say: 'lift off what is too much with a soft tissue; no water',
    takes: 'tissues',
    kinds: NEVER_SETS,
    source: COMMON_PRACTICE,
  },
  massageIn: {
    id: 'massageIn',
    name: 'massaged in',
    say: 'massage in what is left; no water, no cloth',
    takes: 'hands',
    kinds: NEVER_SETS,
    source: COMMON_PRACTICE,
  },
}
/** How a bottle comes off: by its label, else rinsed. */
export const wayOffOf = (bottle?: { wayOff?: WayOffId }): WayOff =>
  WAYS_OFF[bottle?.wayOff ?? 'rinse']
/** The ways off that a label of a kind may name; none for what is not a mask. */
export const waysOffFor = (kind: ProductKind): WayOffId[] =>
  WAY_OFF_IDS.filter((id) => WAYS_OFF[id].kinds.includes(kind))
