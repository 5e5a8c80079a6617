import type { ConditionId, SkinType } from './conditions'
import type { FindingId } from '../consultation/findings'
import type { IngredientId } from '../products/ingredients'
import { COMMON_PRACTICE, type ConcernId } from '../kinds'
import { MAKE_UP, type MakeUpId } from '../consultation/makeUp'
import type { PreferenceId } from '../consultation/preferences'
import type { RegionId } from '../../face/zones'
import type { Season } from './season'
import { techniquesWhere, type TechniqueId } from '../techniques/techniques'
import { exfoliates } from '../techniques/traits'

/** What a read region must show for an adaptation to apply there. */
export interface SkinTest {
  reading: 'sensitivity' | 'redness' | 'water' | 'oil' | 'congestion' | 'texture' | 'spots'
  atLeast?: number
  atMost?: number
}
/** A test of one region, or of the whole client today. */
type AdaptWhen =
  | SkinTest
  | { ageFrom: number }
  | { type: readonly SkinType[] }
  | { condition: ConditionId }
  | { makeUp: readonly MakeUpId[] }
  | { life: readonly [PreferenceId, string] }
  | { driedBy: readonly FindingId[] }
  | { season: Season }
  | { aim: ConcernId }

/**
 * "If the skin is so, then the technique is so": each row changes one or more techniques in one way
 * and says why.
 */
export interface Adaptation {
  id: string
  techniques: readonly TechniqueId[]
  when: AdaptWhen
  /** Hands-on minutes at most, if the test is met anywhere the technique reaches. */
  minutesMost?: number
  /** Hands-on minutes at least: what soaks cannot be hurried. */
  minutesLeast?: number
  passesMost?: number
  settingMost?: number
  settingLeast?: number
  /** Only in these regions, whatever the test looks at. */
  only?: readonly RegionId[]
  /** Regions that meet the test are left out. */
  leaveOut?: true
  /** What rests comes off at the short end of its window. */
  shortDwell?: true
  /**
   * Liked more (or less) today, in the currency of a school's taste; with `layout`, only laid out
   * so.
   */
  favour?: number
  layout?: 'byZone' | 'spots'
  /** Products with this are not taken. */
  avoid?: IngredientId
  sentence: string
  source: string
}

type Does = Omit<Adaptation, 'id' | 'techniques' | 'when' | 'sentence' | 'source'>
const row = (
  id: string,
  techniques: readonly TechniqueId[],
  when: AdaptWhen,
  does: Does,
  sentence: string,
): Adaptation => ({
  id,
  techniques,
  when,
  ...does,
  sentence,
  source: COMMON_PRACTICE,
})

const sensitive: SkinTest = { reading: 'sensitivity', atLeast: 2 }
const verySensitive: SkinTest = { reading: 'sensitivity', atLeast: 3 }
const pinks: SkinTest = { reading: 'redness', atLeast: 1 }
const congested: SkinTest = { reading: 'congestion', atLeast: 3 }
const rough: SkinTest = { reading: 'texture', atLeast: 3 }
const spots: SkinTest = { reading: 'spots', atLeast: 2 }
/** Whatever takes something off, whatever has a shorter window on sensitive skin, whatever has a bottle. */
const EXFOLIATION = techniquesWhere((technique) => exfoliates(technique.id))
/** What leaves the skin pink for a day or more. */
const PINKING: readonly TechniqueId[] = [
  ...EXFOLIATION.filter((id) => id !== 'enzyme' && id !== 'rollOff'),
  'extraction',
  'vacuumGlide',
  'vacuumDry',
  'highFrequency',
]
/** Hands, stones and suction, whatever they are done with. */
const RUBBING_HANDS = techniquesWhere(
  ({ families }) =>
    families.includes('massage') || (families.includes('vacuum') && !families.includes('abrasion')),
)
const DWELLING = techniquesWhere(
  ({ dwell }) => dwell !== undefined && dwell.sensitive.latest < dwell.latest,
)
const BOTTLED = techniquesWhere((technique) => technique.product !== undefined)

/**
 * A row that sensitivity or an answer calls for only ever takes away: a more sensitive skin must
 * never come out with a better plan.
 * "If … then …" of the trade, common practice throughout; the numbers are the house's own within
 * it.
 */
export const ADAPTATIONS: readonly Adaptation[] = [
  // What shows tonight
  row(
    'tonight-calm',
    PINKING,
    { aim: 'tonight' },
    { leaveOut: true },
    'an event tonight: nothing that leaves the skin pink',
  ),
  row(
    'travel-soon',
    PINKING,
    { life: ['travel', 'soon'] },
    { leaveOut: true },
    'flies within two days: nothing that leaves it pink',
  ),
  row(
    'strong-outdoors',
    ['acidMask', 'resurfacingMask', 'salonPeel', 'tip', 'crystals', 'needling', 'blade'],
    { life: ['air', 'outdoors'] },
    { favour: -200 },
    'days in wind and sun: gentler work',
  ),
  row(
    'strong-tired',
    ['acidMask', 'resurfacingMask', 'salonPeel', 'tip', 'crystals', 'needling', 'blade'],
    { life: ['sleep', 'late'] },
    { favour: -600 },
    'late nights: tired skin heals slowly, gentler work',
  ),
  row(
    'drain-tired',
    ['massage', 'stones'],
    { life: ['sleep', 'late'] },
    { favour: 100 },
    'late nights: drainage, and rest',
  ),
  row(
    'steam-kitchen',
    ['steam'],
    { life: ['air', 'kitchen'] },
    { favour: -200 },
    'days in heat and steam: no more heat',
  ),
  row(
    'clear-covered',
    ['spatula', 'extraction'],
    { life: ['covering', 'mask'] },
    { favour: 100 },
    'mask wear: chin and nose clog under it',
  ),
  row(
    'clear-helmet',
    ['spatula', 'extraction'],
    { life: ['covering', 'helmet'] },
    { favour: 100 },
    'helmet: forehead and jaw clog under it',
  ),
  // Warmth
  row('steam-sensitive', ['steam'], sensitive, { minutesMost: 5 }, 'sensitive skin: steam short'),
  row(
    'steam-further',
    ['steam'],
    sensitive,
    { settingLeast: 40 },
    'sensitive skin: steam from further away',
  ),
  row('steam-reddens', ['steam'], pinks, { minutesMost: 3 }, 'reddens easily: steam 3 min'),
  row('steam-mature', ['steam'], { ageFrom: 60 }, { minutesMost: 5 }, 'thin skin: steam short'),
  row('steam-congested', ['steam'], congested, { favour: 300 }, 'congested: soften first'),
  row(
    'towel-sensitive',
    ['warmTowel'],
    sensitive,
    { minutesMost: 1 },
    'sensitive skin: a minute of warmth',
  ),
  // Exfoliation by hand
  row(
    'grain-sensitive',
    ['grain', 'sonicBrush'],
    sensitive,
    { leaveOut: true },
    'sensitive: enzyme rather than grains',
  ),
  row(
    'grain-reddens',
    ['grain'],
    pinks,
    { minutesMost: 1 },
    'pinks easily: grains for a minute at most',
  ),
  row(
    'grain-mature',
    ['grain'],
    { ageFrom: 60 },
    { minutesMost: 0.5 },
    'thin skin: grains for half a minute',
  ),
  row(
    'grain-dry',
    ['grain'],
    { reading: 'oil', atMost: 0 },
    { minutesMost: 1 },
    'dry skin: grains short',
  ),
  row(
    'rub-sensitive',
    ['rollOff', 'exfoliatingMask'],
    sensitive,
    { leaveOut: true },
    'sensitive: nothing that rubs',
  ),
  row(
    'acid-sensitive',
    ['acidMask'],
    verySensitive,
    { leaveOut: true },
    'very sensitive: no acid there',
  ),
  row(
    'acid-mature',
    ['acidMask', 'resurfacingMask', 'salonPeel'],
    { ageFrom: 70 },
    { leaveOut: true },
    'thin skin: enzyme rather than acid',
  ),
  row(
    'peel-sensitive',
    ['salonPeel'],
    sensitive,
    { leaveOut: true },
    'sensitive: no strong acid there',
  ),
  row(
    'resurfacing-sensitive',
    ['resurfacingMask'],
    verySensitive,
    { leaveOut: true },
    'very sensitive: no strong acid there',
  ),
  row(
    'peel-marks',
    ['salonPeel'],
    { condition: 'marksEasily' },
    { leaveOut: true },
    'marks easily: no salon peel',
  ),
  row('blade-spots', ['blade', 'browTidy'], spots, { leaveOut: true }, 'no blade over spots'),
  row(
    'overdried',
    [...EXFOLIATION, 'spatula'],
    { driedBy: ['retinoid', 'homeAcid'] },
    { leaveOut: true },
    'over-dried by actives at home: stop the lot for some days',
  ),
  row(
    'rolloff-oily',
    ['rollOff'],
    { type: ['oily'] },
    { favour: 200 },
    'oily, large pores: roll-off suits',
  ),
  row('rolloff-dull', ['rollOff'], rough, { favour: 300 }, 'thick and dull: roll-off suits'),
  // Machines
  row('tip-sensitive', ['tip', 'crystals'], sensitive, { passesMost: 1 }, 'sensitive: one pass'),
  row(
    'tip-very-sensitive',
    ['tip', 'crystals'],
    verySensitive,
    { leaveOut: true },
    'very sensitive: no tip there',
  ),
  row('tip-vacuum', ['tip', 'crystals'], sensitive, { settingMost: 8 }, 'sensitive: lowest vacuum'),
  row('tip-mature', ['tip', 'crystals'], { ageFrom: 60 }, { passesMost: 1 }, 'thin skin: one pass'),
  row('tip-dull', ['tip'], rough, { favour: 300 }, 'thick and dull: the tip suits'),
  row(
    'vacuum-mature',
    ['vacuumGlide', 'vacuumDry'],
    { ageFrom: 70 },
    { leaveOut: true },
    'slack skin bruises: no vacuum',
  ),
  row(
    'needling-sensitive',
    ['needling'],
    verySensitive,
    { leaveOut: true },
    'very sensitive: no needling there',
  ),
  row('spatula-congested', ['spatula'], congested, { favour: 200 }, 'congested: spatula'),
  row(
    'extraction-congested',
    ['extraction'],
    congested,
    { favour: 300 },
    'congested: take out what is ripe',
  ),
  row(
    'jaw-cycle',
    ['extraction'],
    { life: ['jaw', 'cycle'] },
    { leaveOut: true, only: ['chin', 'jawL', 'jawR'] },
    'jaw and chin break out with the cycle: expected, not chased',
  ),
  row(
    'extraction-clear',
    ['extraction'],
    { reading: 'congestion', atMost: 1 },
    { leaveOut: true },
    'nothing there to take out',
  ),
  // Settling
  row(
    'cool-sensitive',
    ['highFrequency', 'redLamp', 'blueLamp'],
    sensitive,
    { favour: -300 },
    'sensitive: a cool finish rather',
  ),
  row('wand-breakouts', ['highFrequency'], spots, { favour: 200 }, 'breakouts: high frequency'),
  row('lamp-breakouts', ['blueLamp'], spots, { favour: 300 }, 'breakouts: blue lamp'),
  // Massage
  row(
    'massage-red',
    RUBBING_HANDS,
    { reading: 'redness', atLeast: 2 },
    { leaveOut: true },
    'red already: no friction there',
  ),
  row(
    'massage-reactive',
    ['massage', 'creamCleanse'],
    verySensitive,
    { minutesMost: 5 },
    'reacts to touch: massage short and flat',
  ),
  row(
    'toning-sensitive',
    ['toningMassage'],
    sensitive,
    { leaveOut: true },
    'sensitive: nothing brisk',
  ),
  row(
    'cleanse-reactive',
    ['oilCleanse'],
    verySensitive,
    { minutesMost: 5 },
    'reacts to touch: the fewest hands',
  ),
  row(
    'cleanse-red',
    ['oilCleanse'],
    { reading: 'redness', atLeast: 2 },
    { minutesMost: 3 },
    'red already: the fewest hands',
  ),
  row(
    'massage-mature',
    ['massage', 'toningMassage'],
    { ageFrom: 70 },
    { minutesMost: 10 },
    'thin skin: a shorter, lighter massage',
  ),
  row('stones-mature', ['stones'], { ageFrom: 60 }, { favour: 200 }, 'mature: a gentle lift'),
  row('hands-mature', ['handsArms'], { ageFrom: 60 }, { favour: 200 }, 'mature: the hands too'),
  // Masks
  row(
    'dwell-sensitive',
    DWELLING,
    sensitive,
    { shortDwell: true },
    'sensitive: off at the short end',
  ),
  row(
    'clay-thirsty',
    ['clay'],
    { reading: 'water', atMost: 0 },
    { leaveOut: true },
    'parched: no clay there',
  ),
  row(
    'clay-dry',
    ['clay'],
    { reading: 'oil', atMost: 1 },
    { leaveOut: true },
    'little oil: no clay there',
  ),
  row('clay-oily', ['clay'], { type: ['oily'] }, { favour: 200 }, 'oily: clay takes it up'),
  row(
    'masks-by-zone',
    ['clay', 'freshMask', 'hydratingMask', 'creamMask'],
    { type: ['combination'] },
    { favour: 400, layout: 'byZone' },
    'combination: clearing on the T-zone, hydrating on the rest',
  ),
  row(
    'spot-mask',
    ['clay'],
    { reading: 'spots', atLeast: 1 },
    { favour: 400, layout: 'spots' },
    'a spot: clay on the spot only',
  ),
  row(
    'hydrate-dehydrated',
    ['hydratingMask', 'sheetMask'],
    { condition: 'dehydrated' },
    { favour: 300 },
    'dehydrated: water first',
  ),
  row(
    'hydrate-flown',
    ['hydratingMask', 'sheetMask'],
    { life: ['travel', 'flown'] },
    { favour: 200 },
    'after a flight: water first',
  ),
  row(
    'hardening-sensitive',
    ['hardeningMask'],
    sensitive,
    { leaveOut: true },
    'sensitive: nothing that pulls',
  ),
  row(
    'hardening-mature',
    ['hardeningMask'],
    { ageFrom: 50 },
    { favour: 200 },
    'mature: a firming mask',
  ),
  // Cleansing and finish
  row(
    'oil-dry',
    ['oilCleanse'],
    { type: ['dry'] },
    { favour: 300 },
    'dry: oil cleanses without stripping',
  ),
  row(
    'oil-made-up',
    ['oilCleanse'],
    { makeUp: ['light', 'waterproof'] },
    { favour: 200 },
    'made-up: oil lifts it',
  ),
  row(
    'oil-layers',
    ['oilCleanse'],
    { makeUp: ['sunCream', 'layered'] },
    { favour: 400 },
    'sun cream or heavy layers: oil lifts them best',
  ),
  ...(['layered', 'waterproof'] as const).map((id) =>
    row(
      `eyes-${id}`,
      ['eyesOff', 'eyesByCleanser'],
      { makeUp: [id] },
      { minutesLeast: MAKE_UP[id].eyes?.minutes ?? 0 },
      `${MAKE_UP[id].name}: ${MAKE_UP[id].eyes?.minutes} min for eyes and lips`,
    ),
  ),
  row(
    'oil-town',
    ['oilCleanse'],
    { life: ['air', 'town'] },
    { favour: 100 },
    'city grime: oil lifts it',
  ),
  row('tone-dry', ['tone'], { type: ['dry'] }, { favour: -200 }, 'dry: less tone'),
  row(
    'mist-dehydrated',
    ['mist'],
    { condition: 'dehydrated' },
    { favour: 400 },
    'dehydrated: rounds of mist, then seal',
  ),
  row(
    'mist-heated',
    ['mist'],
    { life: ['air', 'heated'] },
    { favour: 200 },
    'heated rooms: rounds of mist',
  ),
  row(
    'mist-winter',
    ['mist', 'hydratingMask', 'creamMask'],
    { season: 'winter' },
    { favour: 150 },
    'cold dry air: water, then seal',
  ),
  row(
    'strong-summer',
    ['acidMask', 'resurfacingMask', 'salonPeel', 'tip', 'crystals', 'needling', 'blade'],
    { season: 'summer' },
    { favour: -400 },
    'strong sun outdoors: gentler work',
  ),
  row(
    'serum-dehydrated',
    ['serum', 'ampoule'],
    { condition: 'dehydrated' },
    { favour: 200 },
    'dehydrated: a humectant',
  ),
  row('oil-finish-dry', ['facialOil'], { type: ['dry'] }, { favour: 200 }, 'dry: oil on damp skin'),
  row(
    'oil-finish-oily',
    ['facialOil'],
    { reading: 'oil', atLeast: 3 },
    { leaveOut: true },
    'oily there: no oil to finish',
  ),
  row(
    'eye-oily',
    ['eyeProduct'],
    { reading: 'oil', atLeast: 3 },
    { leaveOut: true },
    'oily eye contour: no eye product',
  ),
  row(
    'scent-sensitive',
    BOTTLED,
    { condition: 'sensitive' },
    { avoid: 'fragrance' },
    'sensitive: nothing scented',
  ),
]
