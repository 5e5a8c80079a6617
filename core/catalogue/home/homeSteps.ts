import { COMMON_PRACTICE, type ProductKind } from '../kinds'
import type { ConditionId, SkinType } from '../skin/conditions'

export const HOME_STEP_IDS = [
  'firstCleanse',
  'cleanse',
  'damp',
  'vitaminC',
  'serum',
  'eye',
  'cream',
  'oil',
  'sun',
] as const
/** One place of a morning or an evening; what changes from night to night is a row of its own. */
export type HomeStepId = (typeof HOME_STEP_IDS)[number]
export type TimeOfDay = 'morning' | 'evening'
/** What carries a layer: what is washed off again lies under nothing. */
export type LayerBase = 'washedOff' | 'water' | 'silicone' | 'cream' | 'oil' | 'filter'

/** A step of a routine at home: where it lies, what may be taken for it, and how much is enough. */
export interface HomeStep {
  id: HomeStepId
  name: string
  times: readonly TimeOfDay[]
  /** Lighter ones lie under heavier ones. */
  weight: number
  base: LayerBase
  /** What stays where a client will do few steps: the smallest first. */
  rank: Readonly<Partial<Record<TimeOfDay, number>>>
  kinds: readonly ProductKind[]
  amount: string
  /** The same in millilitres, each time. House value. */
  millilitres: number
  how: string
  why: string
  /** It stays while the card asks for plain care only. */
  plainCare?: true
  /** Only skin of these kinds gains by it; left out, every skin does. */
  forSkin?: { types: readonly SkinType[]; conditions: readonly ConditionId[] }
  /** Not on skin like this. */
  notFor?: { types: readonly SkinType[]; conditions: readonly ConditionId[]; why: string }
  source: string
}
const step = (own: Omit<HomeStep, 'source'>): HomeStep => ({ ...own, source: COMMON_PRACTICE })

/** In layering order: cleanse, damp, thinnest water first, eye, cream, oil; sun protection last. */
export const HOME_STEPS: Readonly<Record<HomeStepId, HomeStep>> = {
  firstCleanse: step({
    id: 'firstCleanse',
    name: 'First cleanse',
    times: ['evening'],
    weight: 0,
    base: 'washedOff',
    rank: { evening: 3 },
    kinds: ['cleansingOil', 'milk'],
    amount: 'two pumps',
    millilitres: 2,
    how: 'On the dry face, then rinsed or taken off with a damp cloth.',
    why: 'it takes off make-up and sun protection',
    plainCare: true,
  }),
  cleanse: step({
    id: 'cleanse',
    name: 'Cleanser',
    times: ['morning', 'evening'],
    weight: 1,
    base: 'washedOff',
    rank: { morning: 4, evening: 1 },
    kinds: ['gelCleanser', 'creamCleanser', 'milk'],
    amount: 'a hazelnut',
    millilitres: 1,
    how: 'With wet hands, a minute, rinsed lukewarm; leave the skin damp.',
    why: 'clean skin takes up what follows',
    plainCare: true,
  }),
  damp: step({
    id: 'damp',
    name: 'Toner or mist',
    times: ['morning', 'evening'],
    weight: 2,
    base: 'water',
    rank: { morning: 5, evening: 5 },
    kinds: ['toner', 'mist'],
    amount: 'five sprays, or one wet pad',
    millilitres: 0.7,
    how: 'Pressed in; the skin stays damp for the next layer.',
    why: 'damp skin drinks and spreads further',
  }),
  vitaminC: step({
    id: 'vitaminC',
    name: 'Vitamin C serum',
    times: ['morning'],
    weight: 3,
    base: 'water',
    rank: { morning: 3 },
    kinds: ['serum'],
    amount: 'three drops',
    millilitres: 0.15,
    how: 'Pressed in, before everything heavier.',
    why: 'it works with the sun protection over it',
  }),
  serum: step({
    id: 'serum',
    name: 'Water serum',
    times: ['morning', 'evening'],
    weight: 4,
    base: 'water',
    rank: { morning: 6, evening: 4 },
    kinds: ['serum'],
    amount: 'three drops',
    millilitres: 0.15,
    how: 'Pressed into damp skin.',
    why: 'water goes in before the cream keeps it there',
  }),
  eye: step({
    id: 'eye',
    name: 'Eye product',
    times: ['morning', 'evening'],
    weight: 6,
    base: 'cream',
    rank: { morning: 7, evening: 6 },
    kinds: ['eyeProduct'],
    amount: 'a rice grain a side',
    millilitres: 0.05,
    how: 'With the ring finger, on the bone only.',
    why: 'the ring round the eye is thin and dries first',
    forSkin: { types: [], conditions: ['mature', 'dehydrated'] },
  }),
  cream: step({
    id: 'cream',
    name: 'Cream',
    times: ['morning', 'evening'],
    weight: 7,
    base: 'cream',
    rank: { morning: 2, evening: 2 },
    kinds: ['moisturiser'],
    amount: 'a pea',
    millilitres: 0.3,
    how: 'Warmed in the palms and pressed on, the neck too.',
    why: 'it keeps in what was given',
    plainCare: true,
  }),
  oil: step({
    id: 'oil',
    name: 'Face oil',
    times: ['evening'],
    weight: 8,
    base: 'oil',
    rank: { evening: 7 },
    kinds: ['facialOil'],
    amount: 'two drops, four at most',
    millilitres: 0.08,
    how: 'Pressed over the cream, last of all.',
    why: 'it slows the loss of water overnight',
    forSkin: { types: ['dry'], conditions: ['dehydrated', 'mature'] },
    notFor: {
      types: ['oily'],
      conditions: ['congested'],
      why: 'oil overnight would add to clogged pores',
    },
  }),
  sun: step({
    id: 'sun',
    name: 'Sun protection',
    times: ['morning'],
    weight: 9,
    base: 'filter',
    rank: { morning: 1 },
    kinds: ['sunProtection'],
    amount: 'two fingers long, face and neck',
    millilitres: 1.2,
    how: 'Last of all; again every two hours outdoors.',
    why: 'what was won is lost again in the sun',
    plainCare: true,
  }),
}

/** How many steps a client says they will really do, each time. */
export const HOME_STEP_COUNTS = [2, 4, 6] as const
export type HomeStepCount = (typeof HOME_STEP_COUNTS)[number]
/** What is offered where more was not done. */
export const FEWEST_STEPS: HomeStepCount = 2
/** What a form begins with. House value. */
export const USUAL_STEPS: HomeStepCount = 4

/** Two layers that roll up where the second comes too soon. Common practice. */
export interface LayerWait {
  id: string
  under: readonly LayerBase[]
  over: readonly LayerBase[]
  minutes: number
  sentence: string
  source: string
}
const wait = (
  id: string,
  under: readonly LayerBase[],
  over: readonly LayerBase[],
  minutes: number,
  sentence: string,
): LayerWait => ({ id, under, over, minutes, sentence, source: COMMON_PRACTICE })
export const LAYER_WAITS: readonly LayerWait[] = [
  wait('wait-water-oil', ['water'], ['oil'], 2, 'let it sink in: oil over wet serum rolls up'),
  wait('wait-water-silicone', ['water'], ['silicone'], 1, 'let it sink in: silicone rolls it up'),
  wait('wait-silicone-water', ['silicone'], ['water', 'cream'], 2, 'nothing wet sinks through it'),
  wait('wait-before-filter', ['water', 'cream', 'oil', 'silicone'], ['filter'], 2, 'let it settle'),
]
