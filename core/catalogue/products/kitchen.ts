import { COMMON_PRACTICE, type ProductKind } from '../kinds'
import type { ConditionId, SkinType } from '../skin/conditions'

/** What something from a kitchen may do to skin. */
export const KITCHEN_HARMS = ['light', 'irritates', 'mint', 'sharp', 'clogs', 'stains'] as const
export type KitchenHarm = (typeof KITCHEN_HARMS)[number]

interface HarmRow {
  id: KitchenHarm
  sentence: string
  /** Not by day. */
  byDay?: true
  /** Not for skin that is any of these. */
  types?: readonly SkinType[]
  conditions?: readonly ConditionId[]
  /** Not where it would come near the eyes. */
  kinds?: readonly ProductKind[]
  /** New to a client it is tried on the arm first, whatever the skin reads. */
  patch?: string
  source: string
}
const EYES: readonly ProductKind[] = ['eyeProduct', 'eyeMask', 'eyeRemover']
const TENDER: readonly ConditionId[] = ['sensitive', 'reactive']

export const KITCHEN_HARM_ROWS: Readonly<Record<KitchenHarm, HarmRow>> = {
  light: {
    id: 'light',
    sentence: 'reacts to light: not by day, and twelve hours without sun after it',
    byDay: true,
    patch: 'citrus',
    source: 'Tisserand & Young, Essential Oil Safety, 2nd ed. 2014 (from memory)',
  },
  irritates: {
    id: 'irritates',
    sentence: 'irritates and sensitises: not on tender skin, not near the eyes',
    conditions: TENDER,
    kinds: EYES,
    patch: 'spice',
    source: COMMON_PRACTICE,
  },
  mint: {
    id: 'mint',
    sentence: 'stings near the eyes and on reddening skin',
    conditions: TENDER,
    kinds: EYES,
    patch: 'mint or camphor',
    source: COMMON_PRACTICE,
  },
  sharp: {
    id: 'sharp',
    sentence: 'has sharp edges: it scratches tender skin',
    conditions: TENDER,
    kinds: EYES,
    source: COMMON_PRACTICE,
  },
  clogs: {
    id: 'clogs',
    sentence: 'may clog skin that is oily or congested',
    types: ['oily'],
    conditions: ['congested'],
    source: COMMON_PRACTICE,
  },
  stains: {
    id: 'stains',
    sentence: 'stains skin, brows and linen: say so before',
    patch: 'spice',
    source: COMMON_PRACTICE,
  },
}

/** What counts in a bottle as well; the rest only where it comes from a kitchen. */
export const IN_BOTTLES: readonly KitchenHarm[] = ['light', 'irritates', 'mint']

/** How long what is mixed of it may be kept. */
export const KITCHEN_LIVES = ['now', 'chilled', 'dry'] as const
export type KitchenLife = (typeof KITCHEN_LIVES)[number]
/** The life of a mix, hours after it was made; the shortest of its parts is the whole one's. */
export const KITCHEN_LIFE_ROWS: Readonly<
  Record<KitchenLife, { hours: number; words: string; source: string }>
> = {
  now: {
    hours: 0,
    words: 'used at once; what is left is thrown out',
    source: COMMON_PRACTICE,
  },
  chilled: {
    hours: 48,
    words: 'chilled for two days at most, for the same person only',
    source: COMMON_PRACTICE,
  },
  dry: {
    hours: 24 * 90,
    words: 'dry in a closed jar for three months; wetted for one use at a time',
    source: COMMON_PRACTICE,
  },
}

/** Something from a kitchen: how a card or a label calls it, what it may do, how it keeps. */
export interface KitchenRow {
  id: string
  name: string
  said: RegExp
  harms: readonly KitchenHarm[]
  life: KitchenLife
  /** What does the same more mildly. */
  milder?: string
  source: string
}
const anyOf = (...words: readonly RegExp[]): RegExp =>
  new RegExp(words.map(({ source }) => source).join('|'), 'i')
const row = (
  id: string,
  name: string,
  said: RegExp,
  harms: readonly KitchenHarm[],
  life: KitchenLife,
  milder?: string,
): KitchenRow => ({
  ...{ id, name, said, harms, life },
  ...(milder === undefined ? {} : { milder }),
  source: COMMON_PRACTICE,
})

export const KITCHEN: readonly KitchenRow[] = [
  row(
    'citrusJuice',
    'citrus juice or peel',
    anyOf(
      /\b(lemon|lime|grapefruit)( juice| peel| zest)?\b(?! (verbena|balm|tree|blossom))/,
      /citrus (limon|aurantifolia|paradisi)/,
    ),
    ['light', 'irritates'],
    'now',
    'rose water',
  ),
  row(
    'bergamot',
    'bergamot or bitter orange peel',
    /bergamot|bitter orange|citrus aurantium (bergamia|amara)/i,
    ['light', 'irritates'],
    'now',
    'orange blossom water',
  ),
  row('fig', 'fig', /\bfigs?\b|ficus carica/i, ['light', 'irritates'], 'now', 'mashed banana'),
  row(
    'spice',
    'cinnamon, clove, ginger, pepper or mustard',
    anyOf(
      /cinnamon|cinnamomum|\bclove|syzygium aromaticum|eugenia caryophyll/,
      /ginger|zingiber|chilli|capsicum|\bpepper\b|mustard|sinapis/,
    ),
    ['irritates'],
    'dry',
    'sandalwood powder',
  ),
  row('turmeric', 'turmeric', /turmeric|curcuma/i, ['stains'], 'dry', 'oat flour'),
  row(
    'mint',
    'mint, menthol, camphor or eucalyptus',
    /\bmint\b|peppermint|spearmint|mentha|menthol|camphor|eucalyptus/i,
    ['mint'],
    'now',
    'rose water',
  ),
  row(
    'vinegar',
    'vinegar or baking soda',
    /vinegar|baking soda|bicarbonate/i,
    ['irritates'],
    'now',
    'yoghurt',
  ),
  row(
    'shell',
    'ground shell, stones, salt or coffee',
    anyOf(
      /(walnut|nut|almond|egg) ?shell|apricot (kernel|stone|seed) (powder|ground)/,
      /ground (shell|stone|kernel)|sea salt|coarse (salt|sugar)|coffee grounds/,
    ),
    ['sharp'],
    'dry',
    'fine oatmeal, or round wax grains',
  ),
  row(
    'heavyOil',
    'coconut oil or cocoa butter',
    /coconut oil|cocos nucifera oil|cocoa butter|theobroma cacao (seed )?butter|wheat germ oil/i,
    ['clogs'],
    'dry',
    'jojoba oil',
  ),
  row('yoghurt', 'yoghurt', /yog(h)?urt/i, [], 'chilled'),
  row('milkFresh', 'milk, cream or egg', /\b(milk|cream|egg)\b/i, [], 'now'),
  row('honey', 'honey', /honey|\bmel\b/i, [], 'chilled'),
  row(
    'fruit',
    'fresh fruit or vegetable',
    /papaya|strawberr|banana|avocado(?! oil)|cucumber|tomato|apple(?! seed)|pineapple/i,
    [],
    'now',
  ),
  row('wet', 'water, tea or flower water', /water|\btea\b|aqua|infusion|hydrosol/i, [], 'now'),
  row('plantOil', 'plant oil', /\boil\b/i, [], 'dry'),
  row(
    'flour',
    'flour, clay or fine grain',
    /flour|clay|earth|kaolin|powder|oat|sugar|sucrose/i,
    [],
    'dry',
  ),
]
/** What nobody knows is not kept. */
export const UNKNOWN_LIFE: KitchenLife = 'now'
